package org.oddlantern.http;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.IntFunction;
import java.util.stream.IntStream;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.evidence.internal.Answered;
import org.oddlantern.evidence.internal.Look;
import org.oddlantern.evidence.internal.Question;
import org.oddlantern.http.internal.StartLine;
import org.oddlantern.http.internal.Surroundings;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/**
 * Sends several calls at the same moment, each in a thread of its own.
 *
 * @param sender sends them
 * @param surroundings where they are sent
 * @param mapping reads what comes
 */
record AtOnce(Sender sender, Surroundings surroundings, JsonMapping mapping) {

  static final int MOST = 200;

  /** The calls by their numbers, which a report shows where they have no name of their own. */
  static List<Call> named(int count, IntFunction<Call> calls) {
    return IntStream.rangeClosed(1, count)
        .mapToObj(number -> {
          Call call = calls.apply(number);
          return call.options().name().isEmpty()
              ? call.named(number + " of " + count + " sent at once")
              : call;
        })
        .toList();
  }

  Evidence send(List<Call> calls) {
    List<WireRequest> requests = calls.stream().map(sender::written).toList();
    String what = calls.stream().map(Call::toString).distinct().count() == 1
        ? calls.get(0).toString()
        : "different calls";
    String title = calls.size() + " replies to " + what + ", sent at once";
    Answered<JsonNode> came = surroundings
        .recorder()
        .answering()
        .answer(
            new Question<>(JsonNode.class, Question.Kind.LOOK, title, title, requests),
            () -> replies(calls, requests));
    JsonNode told = came.orThrow();
    Look look = new Look(
        title, "", List.of(), JsonMapping.standard().write(told), came.at(), came.took(), null);
    surroundings.recorder().ended(look);
    return RepliesAtOnce.of(look, told, surroundings.recorder());
  }

  private JsonNode replies(List<Call> calls, List<WireRequest> requests) {
    StartLine line = new StartLine(calls.size());
    ExecutorService threads = Executors.newFixedThreadPool(calls.size(), task -> {
      Thread thread = new Thread(task, "at once");
      thread.setDaemon(true);
      return thread;
    });
    try {
      List<Future<JsonNode>> futures = new ArrayList<>();
      for (int i = 0; i < calls.size(); i++) {
        Call call = calls.get(i);
        WireRequest request = requests.get(i);
        StartLine.Runner runner = line.runner();
        futures.add(threads.submit(() -> reply(call, request, runner)));
      }
      ArrayNode replies = JsonNodeFactory.instance.arrayNode();
      for (Future<JsonNode> future : futures) {
        replies.add(future.get());
      }
      return replies;
    } catch (ExecutionException e) {
      throw e.getCause() instanceof RuntimeException known
          ? known
          : new IllegalStateException("a call that was sent at once failed", e.getCause());
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new NotSent("calls that were sent at once were not waited for: it was interrupted");
    } finally {
      threads.shutdownNow();
    }
  }

  private JsonNode reply(Call call, WireRequest request, StartLine.Runner runner) {
    ObjectNode told = JsonNodeFactory.instance.objectNode();
    try (CurrentCase.Binding binding = CurrentCase.adding(runner)) {
      Reply reply = sender.asking().sendUnowed(call, request);
      told.put("status", reply.status());
      told.set("body", body(reply));
    } catch (NoReply e) {
      told.putNull("status");
      told.put("fault", e.getMessage());
    } finally {
      runner.out();
    }
    return told;
  }

  /** JSON as its value, anything else as text; nothing is null. */
  private JsonNode body(Reply reply) {
    if (reply.text().isEmpty()) {
      return JsonNodeFactory.instance.nullNode();
    }
    try {
      return mapping.parse(reply.bytes());
    } catch (NotJson e) {
      return JsonNodeFactory.instance.stringNode(reply.text());
    }
  }
}
