package org.oddlantern.http;

import java.net.URI;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.internal.Needed;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;

/**
 * A list that was received in pages. Immutable and thread-safe.
 *
 * <pre>{@code
 * Pages pages = beeyard.pages(Call.get("/inspections").query("limit", 20), NextPage.byLink());
 * List<Inspection> all = pages.valuesAt("$.items[*]", Inspection.class);
 * }</pre>
 */
public final class Pages implements Iterable<Reply> {

  static final int MOST = 1_000;

  private final List<Reply> replies;

  private Pages(List<Reply> replies) {
    this.replies = List.copyOf(replies);
  }

  static Pages walked(Service service, Call first, NextPage next, int most) {
    List<Reply> replies = new ArrayList<>();
    Set<URI> seen = new HashSet<>();
    Optional<Call> call = Optional.of(first);
    while (call.isPresent()) {
      if (replies.size() == most) {
        throw new IllegalStateException(String.format(
            Locale.ROOT,
            "%s goes on after %d pages, the limit; the next one would be %s. Allow more, or see why the list does not end",
            first,
            most,
            call.get()));
      }
      Reply page = service.send(call.get());
      if (!seen.add(page.address())) {
        throw new IllegalStateException(String.format(
            Locale.ROOT,
            "%s runs in a circle: page %d, %s, was there before",
            first,
            replies.size() + 1,
            page.address()));
      }
      replies.add(page);
      call = page.isError() ? Optional.empty() : next.after(page, call.get());
    }
    return new Pages(replies);
  }

  /** The call at the address that a page names, which must be one of the same service. */
  static Call moved(Call sent, Reply page, String address) {
    URI target = Address.resolved(page.address(), address);
    if (!Sender.isSameOrigin(page.address(), target)) {
      throw new IllegalStateException(
          "%s names %s as its next page, which is another service; credentials are not taken there"
              .formatted(page.title(), target));
    }
    return sent.at(Address.literal(target.toString()));
  }

  /**
   * The pages.
   *
   * @return one reply or more, in order
   */
  public List<Reply> replies() {
    return replies;
  }

  /**
   * What a path leads to on every page, in one list.
   *
   * @param <T> the type wanted
   * @param path a path (RFC 9535)
   * @param type the type wanted
   * @return the values, in order
   * @throws CheckFailed if a page is not JSON or a value is of another type
   */
  public <T> List<T> valuesAt(String path, Class<T> type) {
    return replies.stream().flatMap(page -> page.valuesAt(path, type).stream()).toList();
  }

  /**
   * What a path leads to on every page, in one list, as evidence: to ask of the whole list what no page can
   * tell, whether it is sorted or has something twice.
   *
   * <pre>{@code
   * pages.itemsAt("$.items[*]").must(body(distinct()), body(sortedBy("$.madeOn")), body(size(47)));
   * }</pre>
   *
   * @param path a path to many places (RFC 9535)
   * @return the list; what is asked of it is with the last page
   * @throws CheckFailed if a page is not JSON
   */
  public Evidence itemsAt(String path) {
    Needed.of(path, "itemsAt(path): path");
    ArrayNode all = JsonNodeFactory.instance.arrayNode();
    replies.forEach(page -> page.valuesAt(path, JsonNode.class).forEach(all::add));
    return new DerivedEvidence(
        replies.get(replies.size() - 1),
        path + " of " + replies.size() + (replies.size() == 1 ? " page" : " pages"),
        all);
  }

  @Override
  public Iterator<Reply> iterator() {
    return replies.iterator();
  }
}
