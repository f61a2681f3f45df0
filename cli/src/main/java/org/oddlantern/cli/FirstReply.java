package org.oddlantern.cli;

import java.net.URI;
import java.time.Duration;
import org.jspecify.annotations.Nullable;
import org.oddlantern.http.Call;
import org.oddlantern.http.NoReply;
import org.oddlantern.http.NotSent;
import org.oddlantern.http.Reply;
import org.oddlantern.http.Service;

/**
 * What a service says when it is asked for the first time.
 *
 * @param reply the reply; null if there is none
 * @param words the reply in short, or why there is none
 */
record FirstReply(@Nullable Reply reply, String words) {

  static FirstReply from(URI address) {
    try {
      Reply reply = Service.reachedAt(FirstCase.origin(address))
          .timeout(Duration.ofSeconds(10))
          .send(Call.get(FirstCase.path(address)));
      return new FirstReply(reply, reply.summary().replaceFirst(", a body.*", ""));
    } catch (NoReply | NotSent | IllegalArgumentException e) {
      return new FirstReply(null, String.valueOf(e.getMessage()).replaceFirst("(?s)\n.*", ""));
    }
  }
}
