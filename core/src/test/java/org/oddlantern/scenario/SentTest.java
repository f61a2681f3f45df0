package org.oddlantern.scenario;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.oddlantern.check.Checks.*;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.oddlantern.config.Environment;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.http.Verdict;
import org.oddlantern.json.JsonMapping;
import org.oddlantern.json.Secret;
import org.oddlantern.run.CaseRecord;
import org.oddlantern.suite.Case;
import org.oddlantern.testing.TestService;

/** What a run records of requests that were looked at. */
class SentTest {

  @Test
  void checksOfWhatWasSentAreToldApartAndSecretsReadFromItAreHidden() throws Exception {
    try (TestService service = new TestService()) {
      CaseRecord one = Trial.of(service, List.of("SendingTest")).one("sends");
      List<Verdict> verdicts = one.exchanges().get(0).verdicts();
      assertEquals(
          List.of("status(200)", "sent: at(\"$.label\", \"Heather\")"),
          verdicts.stream().map(Verdict::check).toList());
      assertEquals("what was sent, $.label", verdicts.get(1).findings().get(0).where());
      assertFalse(
          JsonMapping.standard().write(one).contains("queen-of-1789"), "the code is hidden");
    }
  }

  static class SendingTest {
    private final Service api;

    SendingTest(Environment env) {
      api = env.service("api");
    }

    @Case
    void sends() {
      var reply =
          api.send(Call.post("/echo").json("{\"label\":\"Clover\",\"code\":\"queen-of-1789\"}"));
      reply.must(status(200));
      reply.sent().valueAt("$.code", Secret.class);
      reply.sent().must(at("$.label", "Heather"));
    }
  }
}
