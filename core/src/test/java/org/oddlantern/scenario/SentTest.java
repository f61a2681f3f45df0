package org.oddlantern.scenario;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.oddlantern.check.Checks.*;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.oddlantern.config.Environment;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.json.Secret;
import org.oddlantern.json.internal.JsonMapping;
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
          verdicts.stream().map(Verdict::words).toList());
      assertEquals("what was sent, $.label", verdicts.get(1).told().get(0).where());
      assertEquals("$.label", verdicts.get(1).findings().get(0).where());
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
