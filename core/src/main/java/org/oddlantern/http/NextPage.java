package org.oddlantern.http;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.oddlantern.internal.Needed;
import org.oddlantern.json.internal.Trees;
import org.oddlantern.json.internal.path.TreePath;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * How the next page of a list is found. One of your own is a lambda.
 *
 * <pre>{@code
 * beeyard.pages(Call.get("/inspections").query("limit", 20), NextPage.byLink())
 * beeyard.pages(Call.get("/inspections").query("page", 1), NextPage.byNumber("page", "$.items"))
 * }</pre>
 */
@FunctionalInterface
public interface NextPage {

  /**
   * The call for the page after one.
   *
   * @param page the page
   * @param sent the call that brought it
   * @return the next call; empty after the last page
   */
  Optional<Call> after(Reply page, Call sent);

  /**
   * By the {@code Link} header with the relation {@code next} (RFC 8288).
   *
   * @return how
   */
  static NextPage byLink() {
    Pattern link = Pattern.compile("<([^>]*)>((?:\\s*;\\s*[^,;\"]+(?:\"[^\"]*\")?)*)");
    Pattern next = Pattern.compile(";\\s*rel\\s*=\\s*(?:next|\"(?:[^\"]* )?next(?: [^\"]*)?\")");
    return (page, sent) -> {
      Matcher matcher = link.matcher(String.join(", ", page.headers().all("Link")));
      while (matcher.find()) {
        if (next.matcher(matcher.group(2).toLowerCase(Locale.ROOT)).find()) {
          return Optional.of(Pages.moved(sent, page, matcher.group(1)));
        }
      }
      return Optional.empty();
    };
  }

  /**
   * By an address in the body, absolute or relative to the page's own; nothing or null is there on the
   * last page.
   *
   * @param path where the address is
   * @return how
   */
  static NextPage byAddress(String path) {
    Needed.of(path, "byAddress(path): path");
    TreePath parsed = TreePath.of(path);
    return (page, sent) -> {
      JsonNode address = parsed.findOne(Trees.of(page.json())).value();
      return address.isString() && !address.asString().isEmpty()
          ? Optional.of(Pages.moved(sent, page, address.asString()))
          : Optional.empty();
    };
  }

  /**
   * By a value in the body that becomes a query parameter; nothing or null is there on the last page.
   *
   * @param path where the value is
   * @param parameter the name of the query parameter
   * @return how
   */
  static NextPage byValue(String path, String parameter) {
    Needed.of(path, "byValue(path, parameter): path");
    Needed.of(parameter, "byValue(path, parameter): parameter");
    TreePath parsed = TreePath.of(path);
    return (page, sent) -> {
      JsonNode value = parsed.findOne(Trees.of(page.json())).value();
      return value.isMissingNode() || value.isNull()
          ? Optional.empty()
          : Optional.of(sent.at(sent.address().replacing(parameter, value)));
    };
  }

  /**
   * By a number in the query, one more for each page, until a page has no items.
   *
   * @param parameter the name of the query parameter; the first call sets it, else it starts at 1
   * @param items where the list of items is in the body
   * @return how
   */
  static NextPage byNumber(String parameter, String items) {
    Needed.of(parameter, "byNumber(parameter, items): parameter");
    Needed.of(items, "byNumber(parameter, items): items");
    TreePath parsed = TreePath.of(items);
    return (page, sent) -> {
      int number = sent.address().query().stream()
          .filter(one -> one.name().equals(parameter))
          .mapToInt(one -> Integer.parseInt(one.value().toString()))
          .findFirst()
          .orElse(1);
      return parsed.findOne(Trees.of(page.json())).value().isEmpty()
          ? Optional.empty()
          : Optional.of(sent.at(sent.address().replacing(parameter, number + 1)));
    };
  }
}
