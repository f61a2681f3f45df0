package org.oddlantern.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Pattern;
import org.oddlantern.json.JsonMapping;
import org.oddlantern.json.NotJson;
import org.oddlantern.run.ExchangeRecord;
import org.oddlantern.run.Journal;
import org.oddlantern.run.RunEvent;
import tools.jackson.databind.JsonNode;

/** The successful replies with JSON in a journal, by the call they belong to. */
final class JournalReplies {

  private static final Pattern ID =
      Pattern.compile("(?<=/)(\\d+|[0-9a-fA-F]{8}(-[0-9a-fA-F]{4}){3}-[0-9a-fA-F]{12})(?=/|$)");

  private final Journal journal;
  private final Map<String, List<JsonNode>> replies = new TreeMap<>();

  private JournalReplies(Journal journal) {
    this.journal = journal;
  }

  static Map<String, List<JsonNode>> of(Path file) {
    JournalReplies all = new JournalReplies(new Journal(file));
    List<ExchangeRecord> exchanges = new ArrayList<>();
    try {
      all.journal.read(event -> {
        if (event instanceof RunEvent.CaseFinished finished) {
          exchanges.addAll(finished.record().exchanges());
        }
      });
      for (ExchangeRecord exchange : exchanges) {
        all.add(exchange);
      }
    } catch (IOException e) {
      throw new Misuse("the journal " + file + " cannot be read: " + e.getMessage());
    }
    return all.replies;
  }

  private void add(ExchangeRecord exchange) throws IOException {
    if (exchange.status() < 200
        || exchange.status() >= 300
        || exchange.replyBody().bytes() == 0) {
      return;
    }
    try {
      JsonNode body = JsonMapping.standard().parse(journal.text(exchange.replyBody()));
      replies.computeIfAbsent(name(exchange), name -> new ArrayList<>()).add(body);
    } catch (NotJson e) {
      return; // no sample
    }
  }

  /** Its name, or method and path with {@code {id}} for what looks like one. */
  private static String name(ExchangeRecord exchange) {
    if (!exchange.name().isEmpty()) {
      return exchange.name();
    }
    String path = exchange.url().replaceFirst("^[a-z]+://[^/?#]*", "").replaceFirst("[?#].*$", "");
    return exchange.method() + " " + ID.matcher(path).replaceAll("{id}");
  }
}
