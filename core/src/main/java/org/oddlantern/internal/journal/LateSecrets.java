package org.oddlantern.internal.journal;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.connections.ConnectionLog;
import org.oddlantern.internal.mask.Masker;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;
import org.oddlantern.shaded.tools.jackson.databind.node.StringNode;

/**
 * Hides in a finished journal what was no secret yet when it was told: a token that one case prints and a
 * later one is given. Reports are made of the journal after that.
 */
public final class LateSecrets {

  /** Written in source, or by this library; what a sample brought into them was masked with it. */
  private static final Set<String> OURS = Set.of(
      Member.EVENT,
      Member.ID,
      Member.SUITE,
      Member.TITLE,
      Member.PLACE,
      Member.KNOWN_FAULT,
      Member.METHOD,
      Member.OUTCOME,
      Member.SERVICE,
      Member.LINES);

  private final Masker masker;

  /** Hides what a masker has learnt. */
  public LateSecrets(Masker masker) {
    this.masker = masker;
  }

  /**
   * Hides them.
   *
   * @param journal a journal that nobody writes any more
   * @return whether there were any
   * @throws IOException if the journal cannot be read or written
   */
  public boolean hidden(Path journal) throws IOException {
    if (masker.knowsNone()) {
      return false;
    }
    boolean found = inFiles(journal.resolveSibling("bodies"));
    found |= inFiles(journal.resolveSibling("kept"));
    found |= inFiles(journal.resolveSibling("agreed"));
    Path connections = journal.resolveSibling(ConnectionLog.FILE);
    if (Files.exists(connections)) {
      hideIn(connections);
    }
    return isIn(journal) ? rewritten(journal) : found;
  }

  private boolean isIn(Path journal) throws IOException {
    try (JournalLines lines = new JournalLines(journal, 0, JournalLines.LARGE)) {
      for (byte[] line = lines.next(); line != null; line = lines.next()) {
        if (masker.isLate(new String(line, StandardCharsets.UTF_8))) {
          return true;
        }
      }
      return false;
    }
  }

  private boolean rewritten(Path journal) throws IOException {
    Path other = journal.resolveSibling(journal.getFileName() + ".masked");
    boolean changed = false;
    try (JournalLines lines = new JournalLines(journal, 0, JournalLines.LARGE);
        OutputStream out = new BufferedOutputStream(Files.newOutputStream(other))) {
      for (byte[] line = lines.next(); line != null; line = lines.next()) {
        String before = new String(line, StandardCharsets.UTF_8);
        String masked = masker.isLate(before) ? masked(before) : before;
        changed |= !masked.equals(before);
        out.write(masked.getBytes(StandardCharsets.UTF_8));
        out.write('\n');
      }
    }
    Files.move(other, journal, StandardCopyOption.REPLACE_EXISTING);
    return changed;
  }

  private String masked(String line) {
    try {
      JsonMapping mapping = JsonMapping.standard();
      return mapping.write(masked(mapping.parse(line), null));
    } catch (NotJson e) {
      return masker.text(line); // cut off in its middle
    }
  }

  private JsonNode masked(JsonNode node, @Nullable String name) {
    if (node instanceof ObjectNode object) {
      ObjectNode masked = object.objectNode();
      for (Map.Entry<String, JsonNode> member : object.properties()) {
        masked.set(member.getKey(), masked(member.getValue(), member.getKey()));
      }
      return masked;
    }
    if (node instanceof ArrayNode list) {
      ArrayNode masked = list.arrayNode();
      list.forEach(item -> masked.add(masked(item, name)));
      return masked;
    }
    return node.isString() && (name == null || !OURS.contains(name))
        ? StringNode.valueOf(masker.text(node.stringValue()))
        : node;
  }

  private boolean inFiles(Path folder) throws IOException {
    if (!Files.isDirectory(folder)) {
      return false;
    }
    boolean found = false;
    List<Path> files;
    try (Stream<Path> all = Files.list(folder)) {
      files = all.toList();
    }
    for (Path file : files) {
      found |= hideIn(file);
    }
    return found;
  }

  private boolean hideIn(Path file) throws IOException {
    byte[] bytes = Files.readAllBytes(file);
    byte[] masked = masker.octets(bytes);
    if (masked != bytes) {
      Files.write(file, masked);
    }
    return masked != bytes;
  }
}
