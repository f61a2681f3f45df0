package org.example.office;

import static org.oddlantern.check.Checks.*;

import java.util.Map;
import java.util.UUID;
import org.oddlantern.config.Environment;
import org.oddlantern.database.Database;
import org.oddlantern.http.Call;
import org.oddlantern.http.Reply;
import org.oddlantern.http.Service;
import org.oddlantern.json.Key;
import org.oddlantern.json.Secret;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.Supply;

/** A log-in by the form of a page, and what is in PostgreSQL afterwards. */
class NoteTest {

  record Running(Office office) implements AutoCloseable {

    @Supply(value = "the office, started", shared = true)
    static Running start() throws Exception {
      String database = "jdbc:postgresql://127.0.0.1:" + System.getenv("YARD_PORT") + "/yard?user=wren";
      return new Running(new Office(database));
    }

    @Override
    public void close() {
      office.close();
    }
  }

  /** The cookie that a log-in earns. */
  record Session(Secret cookie) {}

  @Key
  record NoteId(UUID id) {}

  private final Service office;
  private final Database yard;

  NoteTest(Running running, Environment env) {
    office = Service.reachedAt(running.office().address());
    yard = env.database("yard");
  }

  @Case("a keeper logs in by the form")
  Session logIn() {
    Reply page = office.send(Call.get("/login")).must(status(200));
    String form = page.text().replaceFirst("(?s).*name=\"form\" value=\"([^\"]+)\".*", "$1");
    Reply reply = office
        .send(Call.post("/login")
            .form("form", form)
            .form("keeper", "wren")
            .form("password", Secret.of("honey-and-thyme"))
            .followingRedirects(0))
        .must(status(303), header("Location", "/notes"), cookie("office"));
    return new Session(Secret.of(reply.cookie("office").orElseThrow().value()));
  }

  @Case("a form that is sent twice is refused")
  void twice() {
    office.send(Call.post("/login").form("form", "old").form("keeper", "wren")).must(status(403));
  }

  @Case("a note is kept")
  NoteId keep(Session session) {
    return office
        .send(Call.post("/notes").cookie("office", session.cookie()).json(Map.of("mood", "calm")))
        .must(status(201))
        .valueAt("$.id", NoteId.class);
  }

  @Case("it is in the database as it was sent")
  void stored(NoteId note) {
    yard.row("select * from note where id = ?", note.id())
        .must(
            at("$.keeper", "wren"),
            at("$.about", Map.of("mood", "calm")),
            at("$.weights", items(32.5, 8.0)),
            at("$.at", dateTime()));
  }
}
