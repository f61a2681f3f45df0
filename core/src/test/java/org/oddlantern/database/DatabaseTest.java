package org.oddlantern.database;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import java.math.BigDecimal;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.http.internal.Surroundings;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.json.Key;
import org.oddlantern.json.Secret;

/** Looks into a real database, one that ignores the read-only flag of a connection. */
class DatabaseTest {

  @Key
  record HiveId(int value) {}

  private final String url = "jdbc:h2:mem:" + UUID.randomUUID();
  private final Database store = Database.reachedAt(url).named("store");
  private Connection keptOpen;

  @BeforeEach
  void fill() throws SQLException {
    keptOpen = DriverManager.getConnection(url);
    try (Statement statement = keptOpen.createStatement()) {
      statement.execute(
          "create table hive (id int primary key, label varchar, weight decimal(30, 20), big bigint,"
              + " ratio double precision, queen boolean, made_on date, at_ timestamp, moment timestamp with time zone,"
              + " photo varbinary, note clob, tags varchar array, code uuid, extra json, \"mixedCase\" int)");
      statement.execute(
          "insert into hive values (1, 'Foxglove', 0.12345678901234567890, 9007199254740993, 0.1, true,"
              + " date '2026-03-01', timestamp '2026-03-01 06:00:00', timestamp with time zone '2026-03-01 06:00:00+02:00',"
              + " x'00ff', 'long', array['a', 'b'], 'f81d4fae-7dec-11d0-a765-00a0c91e6bf6', json '{\"a\": [1]}', 7)");
      statement.execute("insert into hive (id, label) values (2, null)");
    }
  }

  @AfterEach
  void close() throws SQLException {
    keptOpen.close();
  }

  @Test
  void aListIsAnArrayOfSql() {
    store
        .rows("select id from hive where id = any(?)", List.of(2, 3))
        .must(at("$[*].id", items(2)));
    store
        .count("select * from hive where label = any(?)", (Object) new String[] {"Foxglove", "x"})
        .must(exactly(1));
    assertEquals(
        "a list for a question mark holds texts, or whole numbers, or numbers, or true and false; not [1,\"a\"]",
        assertThrows(
                IllegalArgumentException.class,
                () -> store.rows("select 1 where 1 = any(?)", List.of(1, "a")))
            .getMessage());
  }

  @Test
  void aRowIsAnObjectAsAnApiWouldTellIt() {
    store
        .row("select * from hive where id = ?", new HiveId(1))
        .must(
            including(Map.of("id", 1, "label", "Foxglove", "queen", true, "mixedCase", 7)),
            at("$.weight", new BigDecimal("0.12345678901234567890")),
            at("$.big", 9007199254740993L),
            at("$.ratio", 0.1),
            at("$.made_on", LocalDate.of(2026, 3, 1)),
            at("$.at_", "2026-03-01T06:00:00"),
            at("$.moment", "2026-03-01T06:00:00+02:00"),
            at("$.photo", "AP8="),
            at("$.note", "long"),
            at("$.tags", items("a", "b")),
            at("$.code", uuid()),
            at("$.extra.a[0]", 1));
    store.row("select * from hive where label is null").must(at("$.weight", (Object) null));
    assertEquals(1, store.row("select id from hive where id = ?", 1).valueAt("$.id", int.class));
    store.rows("select id from hive order by id").must(body(size(2)), at("$[*].id", items(1, 2)));
    store.count("select * from hive where queen = ?", true).must(exactly(1));
    store.noRow("select * from hive where label = ?", "Old Straw");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "select * from old table (delete from hive)",
        "select * from final table (update hive set label = 'x')",
        "with gone (id) as (select 1) select * from old table (delete from hive)",
      })
  void nothingAQueryDoesStays(String sql) {
    store.rows(sql);
    store.count("select * from hive where label = 'Foxglove'").must(exactly(1));
    store.count("select * from hive").must(exactly(2));
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "delete from hive",
        "  /* select */ update hive set label = 'x'",
        "-- select\ninsert into hive (id) values (3)",
        "select 1; drop table hive",
        "select ';' as a; delete from hive",
        "call system_exit()",
      })
  void whatDoesNotLookLikeAQueryIsRefusedBeforeItIsSent(String sql) {
    assertThrows(IllegalArgumentException.class, () -> store.rows(sql));
    store.rows("select ';' as a, \"LABEL\" as b -- ; drop\n from hive;");
  }

  @Test
  void changingIsAWordOfItsOwnAndForbiddenWhereOnlySafeThingsAreAllowed() {
    assertEquals(1, store.change("update hive set label = ? where id = ?", "Heather", 1));
    store.row("select label from hive where id = 1").must(at("$.label", "Heather"));
    Surroundings alone = Surroundings.alone();
    Surroundings readOnly = new Surroundings(
        alone.transport(), alone.recorder(), alone.cookies(), alone.tokens(), "it is production");
    String refusal;
    try (CurrentCase.Binding binding = CurrentCase.bind(List.of(readOnly))) {
      refusal = assertThrows(RuntimeException.class, () -> store.change("delete from hive"))
          .getMessage();
    }
    assertTrue(refusal.contains("since it is production"), refusal);
    store.count("select * from hive").must(exactly(2));
  }

  @Test
  void tellsHowManyRowsThereAreWhereOneIsWanted() {
    assertEquals(
        """
        store: select * from hive where id = ? with 9
          one row
            at      the rows
            wanted  one row
            got     no row""",
        assertThrows(CheckFailed.class, () -> store.row("select * from hive where id = ?", 9))
            .getMessage());
    String several = assertThrows(
            CheckFailed.class, () -> store.row("select id from hive order by id"))
        .getMessage();
    assertTrue(several.endsWith("got     2 rows: [{\"id\":1},{\"id\":2}]"), several);
    String there = assertThrows(
            CheckFailed.class, () -> store.noRow("select id from hive where id = ?", 1))
        .getMessage();
    assertTrue(there.contains("wanted  no row\n    got     1 row: {\"id\":1}"), there);
  }

  @Test
  void shapesMayStandAloneAndValuesMayNot() {
    DatabaseAnswer row = store.row("select id from hive where id = 1");
    row.must(fields().with("id", 1).only(), at("$.id", 1));
    assertEquals(
        "the value 4 was given where a check or a shape is wanted; say exactly(...), or at(path, ...)",
        assertThrows(IllegalArgumentException.class, () -> row.must((Object) 4)).getMessage());
    assertTrue(assertThrows(CheckFailed.class, () -> row.must(status(200)))
        .getMessage()
        .contains("got     no status: this is store: select id from hive where id = 1"));
  }

  @Test
  void saysWhyThereIsNoAnswer() {
    problem(
        "no JDBC driver on the class path takes jdbc:bees:1;password=***; there are ",
        Database.reachedAt("jdbc:bees:1;password=buzz"),
        "select 1");
    problem("Table \"BEES\" not found", store, "select * from bees");
    problem("the statement has 1 question marks, but 0 arguments were given", store, "select ?");
    problem("two columns are named 'id'", store, "select id, label as id from hive");
    problem(
        "the query gives more than 10,000 rows; ask for fewer",
        store,
        "select x from system_range(1, 20000)");
    problem(
        "no answer within 300 ms",
        store.timeout(Duration.ofMillis(300)),
        "select sum(a.x + b.x) as s from system_range(1, 100000) a, system_range(1, 100000) b");
    assertThrows(IllegalArgumentException.class, () -> Database.reachedAt("postgres://x"));
    assertFalse(Database.reachedAt("jdbc:x://u:p@h/d?password=p").toString().contains("p@"));
  }

  @Test
  void secretsAreNotTold() {
    String message = assertThrows(
            CheckFailed.class,
            () -> store.row("select * from hive where label = ?", Secret.of("lavender")))
        .getMessage();
    assertTrue(message.startsWith("store: select * from hive where label = ? with ***\n"), message);
  }

  private static void problem(String part, Database database, String sql) {
    String message =
        assertThrows(DatabaseProblem.class, () -> database.rows(sql)).getMessage();
    assertTrue(message.contains(part), message);
  }
}
