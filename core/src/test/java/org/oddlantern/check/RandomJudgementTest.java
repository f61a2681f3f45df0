package org.oddlantern.check;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.math.BigDecimal;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.oddlantern.database.Database;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.evidence.Header;
import org.oddlantern.evidence.Headers;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.evidence.internal.JudgedEvidence;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.json.Json;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.testing.TestService;

/**
 * Tens of thousands of questions made by chance, each judged twice: by the library, and by {@link
 * Term}. {@code -DargLine=-Dstress=20} makes twenty times as many.
 */
class RandomJudgementTest {

  private static final int ROUNDS = 5_000 * Integer.getInteger("stress", 1);

  private final RandomTerms chance = new RandomTerms(new Random(1912));
  private int held;

  @Test
  void ofJson() {
    for (int i = 0; i < ROUNDS; i++) {
      Object value = chance.value(3);
      Term term = chance.below(3) == 0 ? Term.exactly(value) : chance.term(3);
      Asked evidence = Asked.json(value);
      judge(term.holds(new Term.Json(value)), Checks.body(term.wanted()), evidence);
      Term each = chance.term(1);
      boolean all = value instanceof List<?> list
          && !list.isEmpty()
          && list.stream().allMatch(item -> each.holds(new Term.Json(item)));
      judge(all, Checks.atEach("$", each.wanted()), evidence);
      if (value instanceof List<?> list) {
        List<Term.Seen> items = list.stream().map(Term.Json::of).toList();
        judge(term.holds(new Term.Gathered(items)), Checks.at("$[*]", term.wanted()), evidence);
      }
    }
    assertTrue(held > ROUNDS / 5, () -> "few held: " + held);
  }

  @Test
  void ofHeadersAndCookies() {
    for (int i = 0; i < ROUNDS; i++) {
      List<String> values = chance.texts(0);
      Term term = chance.term(2);
      List<Term.Seen> seen = values.stream()
          .<Term.Seen>map(value -> new Term.Untyped(value, false))
          .toList();
      boolean wanted = term.holdsOf(seen);
      Object asked = term.wanted() == null ? Checks.exactly(null) : term.wanted();
      judge(wanted, Checks.header("X-Plot", asked), Asked.headers("X-Plot", "", values));
      judge(wanted, Checks.cookie("plot", asked), Asked.headers("Set-Cookie", "plot=", values));
    }
    assertTrue(held > ROUNDS / 5, () -> "few held: " + held);
  }

  @Test
  void ofXml() {
    for (int i = 0; i < ROUNDS; i++) {
      List<String> values = chance.texts(0);
      Term term = chance.term(2);
      Term.Seen seen = switch (values.size()) {
        case 0 -> new Term.Nothing();
        case 1 -> new Term.Untyped(values.get(0), true);
        default -> new Term.Nodes(values);
      };
      judge(term.holds(seen), Checks.xpath("/hives/kind", term.wanted()), Asked.xml(values));
    }
    assertTrue(held > ROUNDS / 10, () -> "few held: " + held);
  }

  @Test
  void ofCsv() throws IOException {
    try (TestService server = new TestService()) {
      Service service = Service.reachedAt(server.address());
      for (int i = 0; i < ROUNDS / 100; i++) {
        List<Map<String, Term.Seen>> rows = new ArrayList<>();
        StringBuilder text = new StringBuilder("id,label,n\n");
        for (int j = chance.below(4); j > 0; j--) {
          List<String> cells = List.of(chance.text(), chance.text(), chance.text());
          rows.add(Map.of(
              "id", new Term.Untyped(cells.get(0), false),
              "label", new Term.Untyped(cells.get(1), false),
              "n", new Term.Untyped(cells.get(2), false)));
          text.append(cells.stream().collect(Collectors.joining("\",\"", "\"", "\"\r\n")));
        }
        Evidence csv = service.send(Call.post("/echo").text(text.toString())).csv();
        List<Term.Seen> column = rows.stream().map(row -> row.get("n")).toList();
        for (int j = 0; j < 50; j++) {
          Term term = chance.term(3);
          judge(term.holds(new Term.Json(rows)), Checks.body(term.wanted()), csv);
          judge(term.holds(new Term.Gathered(column)), Checks.at("$[*].n", term.wanted()), csv);
        }
      }
    }
    assertTrue(held > ROUNDS / 20, () -> "few held: " + held);
  }

  @Test
  void ofRows() throws SQLException {
    String url = "jdbc:h2:mem:" + UUID.randomUUID();
    Database store = Database.reachedAt(url);
    try (Connection keptOpen = DriverManager.getConnection(url)) {
      for (int i = 0; i < ROUNDS / 200; i++) {
        Object value = chance.value(0);
        String type = value instanceof BigDecimal
            ? "decimal(60, 20)"
            : value instanceof Boolean ? "boolean" : "varchar";
        Evidence row = store.row("select cast(? as " + type + ") as \"n\"", value);
        for (int j = 0; j < 50; j++) {
          Term term = chance.term(2);
          judge(term.holds(new Term.Json(value)), Checks.at("$.n", term.wanted()), row);
        }
      }
    }
  }

  private void judge(boolean wanted, Check check, Evidence evidence) {
    List<?> findings = check.examine(evidence);
    held += wanted ? 1 : 0;
    assertEquals(
        wanted,
        findings.isEmpty(),
        () -> check.words() + " of " + evidence.summary() + ": " + findings);
  }

  /** Evidence without a service. */
  private static final class Asked extends JudgedEvidence {
    private final Headers headers;
    private final String text;

    private Asked(Headers headers, String text) {
      this.headers = headers;
      this.text = text;
    }

    static Asked json(@Nullable Object value) {
      return new Asked(Headers.NONE, JsonMapping.standard().write(value));
    }

    static Asked headers(String name, String before, List<String> values) {
      return new Asked(
          new Headers(
              values.stream().map(value -> new Header(name, before + value)).toList()),
          "");
    }

    static Asked xml(List<String> values) {
      return new Asked(
          Headers.NONE,
          values.stream()
              .collect(Collectors.joining("</kind><kind>", "<hives><kind>", "</kind></hives>"))
              .replaceFirst(values.isEmpty() ? "<kind></kind>" : "^$", ""));
    }

    @Override
    public String title() {
      return "evidence";
    }

    @Override
    public String summary() {
      return text + Map.of("headers", headers.fields());
    }

    @Override
    public Headers headers() {
      return headers;
    }

    @Override
    public String text() {
      return text;
    }

    @Override
    public Json json() {
      return Json.parse(text);
    }

    @Override
    protected void judged(List<Verdict> verdicts) {}

    @Override
    protected JsonMapping hearingMapping() {
      return JsonMapping.standard();
    }
  }
}
