package org.oddlantern.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Pattern;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.reports.folder.RunFolder;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** The successful replies with JSON in a journal, by the call they belong to. */
final class JournalReplies {

  private static final Pattern ID =
      Pattern.compile("(?<=/)(\\d+|[0-9a-fA-F]{8}(-[0-9a-fA-F]{4}){3}-[0-9a-fA-F]{12})(?=/|$)");

  private final Journal journal;
  private final Map<String, List<JsonNode>> replies = new TreeMap<>();
  private final Map<String, List<JsonNode>> others = new TreeMap<>();

  private JournalReplies(Journal journal) {
    this.journal = journal;
  }

  static JournalReplies of(Path file) {
    JournalReplies all = new JournalReplies(new Journal(RunFolder.journalOf(file)));
    List<ExchangeRecord> exchanges = new ArrayList<>();
    try {
      all.journal.read(event -> {
        if (event instanceof RunEvent.CaseFinished finished) {
          finished.record().exchanges().stream()
              .filter(exchange -> !exchange.isVisit())
              .forEach(exchanges::add);
        }
      });
      for (ExchangeRecord exchange : exchanges) {
        all.add(exchange);
      }
    } catch (IOException e) {
      throw new Misuse("the journal " + file + " cannot be read: " + e.getMessage());
    }
    return all;
  }

  /** How many replies there are to each call, by its name. */
  Map<String, Integer> counts() {
    Map<String, Integer> counts = new TreeMap<>();
    replies.forEach((name, all) -> counts.put(name, all.size()));
    return counts;
  }

  /** All by which a call can be chosen. */
  Set<String> names() {
    Set<String> names = new LinkedHashSet<>(replies.keySet());
    names.addAll(others.keySet());
    return names;
  }

  /** Those to a call, by its name, its template or its path; empty if there are none. */
  List<JsonNode> to(String call) {
    return replies.getOrDefault(call, others.getOrDefault(call, List.of()));
  }

  private void add(ExchangeRecord exchange) throws IOException {
    if (exchange.status() < 200
        || exchange.status() >= 300
        || exchange.replyBody().bytes() == 0) {
      return;
    }
    try {
      JsonNode body = JsonMapping.standard().parse(journal.text(exchange.replyBody()));
      List<String> names = names(exchange);
      replies.computeIfAbsent(names.get(0), name -> new ArrayList<>()).add(body);
      names.stream()
          .skip(1)
          .forEach(
              name -> others.computeIfAbsent(name, other -> new ArrayList<>()).add(body));
    } catch (NotJson e) {
      return; // no sample
    }
  }

  /** Its name, its method and template, and its method and path with {@code {id}} for what looks like one. */
  private static List<String> names(ExchangeRecord exchange) {
    Set<String> names = new LinkedHashSet<>();
    names.add(exchange.name());
    String template = exchange.template().replaceFirst("[?#].*$", "");
    names.add(template.isEmpty() ? "" : exchange.method() + " " + template);
    String path = exchange.url().replaceFirst("^[a-z]+://[^/?#]*", "").replaceFirst("[?#].*$", "");
    names.add(exchange.method() + " " + ID.matcher(path).replaceAll("{id}"));
    names.remove("");
    return List.copyOf(names);
  }
}
