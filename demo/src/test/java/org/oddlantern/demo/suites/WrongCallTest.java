package org.oddlantern.demo.suites;

import static org.oddlantern.check.Checks.*;

import java.util.List;
import org.oddlantern.config.Environment;
import org.oddlantern.demo.suites.SignInTest.Session;
import org.oddlantern.http.Call;
import org.oddlantern.http.Description;
import org.oddlantern.http.Service;
import org.oddlantern.http.WrongCall;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.Samples;

/** Calls that are wrong at one place, by the description of the beeyard. */
public class WrongCallTest {

  private final Service beeyard;

  WrongCallTest(Environment env, Session session) {
    beeyard = env.service("beeyard").bearer(session.token());
  }

  @Samples
  static List<WrongCall> wrong() {
    return Description.named("beeyard.yaml")
        .operation("GET /inspections")
        .wrong()
        .without("unmeetable Accept");
  }

  @Case("inspections are refused if {what}")
  void refused(WrongCall wrong) {
    beeyard.send(wrong.in(Call.get("/inspections").query("limit", 2))).must(status("4xx"));
  }
}
