package org.oddlantern.internal.promise;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.org.commonmark.node.ListBlock;
import org.oddlantern.shaded.org.commonmark.node.Node;
import org.oddlantern.shaded.org.commonmark.node.Paragraph;

/** Reads one document: which of its lists are promises, and which cases keep them. */
final class DocumentReading {

  private final String file;
  private final Titles titles;
  private final Function<String, SampleTable> tables;
  private final List<Promise> promises = new ArrayList<>();
  private final List<String> problems;
  private final List<String> notes;
  private final Map<String, Integer> lines = new HashMap<>();

  DocumentReading(
      String file,
      Titles titles,
      Function<String, SampleTable> tables,
      List<String> problems,
      List<String> notes) {
    this.file = file;
    this.titles = titles;
    this.tables = tables;
    this.problems = problems;
    this.notes = notes;
  }

  PromiseDocument read(String text) {
    blocks(Markdown.read(text), 0);
    if (promises.isEmpty()) {
      notes.add(file + " promises nothing: no item of a list is the title of a case, or begins"
          + " with [ ]");
    }
    return new PromiseDocument(file, text, promises);
  }

  private void blocks(Node parent, int above) {
    for (Node block : below(parent)) {
      if (!(block instanceof ListBlock)) {
        blocks(block, above);
      } else if (hasPromise(block)) {
        items(block, above);
      } else {
        prose(block);
      }
    }
  }

  private void items(Node list, int above) {
    for (Node item : below(list)) {
      Paragraph sentence = sentence(item);
      if (sentence == null) {
        if (item.getFirstChild() == null) {
          problems.add(at(item) + " is an item without a sentence");
        }
        blocks(item, above);
      } else {
        promise(item, sentence, above);
      }
    }
  }

  private void promise(Node item, Paragraph sentence, int above) {
    int line = Markdown.line(sentence);
    String text = Markdown.plain(sentence);
    String words = Sentence.words(text);
    Integer before = lines.putIfAbsent(Sentence.key(text), line);
    if (before != null) {
      problems.add(at(sentence) + " makes the promise of line " + before + " again: '" + words
          + "'; let one of them go");
    }
    List<String> cases = titles.promised(text);
    boolean parts = isAbove(item);
    String hint = cases.isEmpty() && !parts ? titles.nearest(text).orElse("") : "";
    int place = promises.size();
    promises.add(new Promise(line, above, words, cases, hint, null));
    SampleTable table = table(item, sentence, text);
    if (table != null) {
      promises.set(place, promises.get(place).with(table));
    }
    blocks(item, line);
  }

  private @Nullable SampleTable table(Node item, Paragraph sentence, String text) {
    SampleTable found = null;
    for (Node block : below(item)) {
      String words = block instanceof Paragraph && block != sentence ? Markdown.plain(block) : "";
      if (SampleTable.isNamedIn(words)) {
        try {
          found = new SampleSearch(titles.cases(text), tables).found(words, found);
        } catch (IllegalArgumentException e) {
          problems.add(at(block) + " " + e.getMessage());
        }
      }
    }
    return found;
  }

  /** Whether a list, or one below it, makes a promise. */
  private boolean hasPromise(Node list) {
    for (Node item : below(list)) {
      Paragraph sentence = sentence(item);
      String text = sentence == null ? "" : Markdown.plain(sentence);
      if (sentence != null && (Sentence.isBoxed(text) || titles.has(text)) || isAbove(item)) {
        return true;
      }
    }
    return false;
  }

  /** Whether promises stand below an item. */
  private boolean isAbove(Node item) {
    return below(item).stream().anyMatch(block -> block instanceof ListBlock && hasPromise(block));
  }

  /** Somebody may have meant a promise. */
  private void prose(Node list) {
    for (Node item : below(list)) {
      Paragraph sentence = sentence(item);
      if (sentence != null) {
        titles
            .allBut(Markdown.plain(sentence))
            .ifPresent(title -> notes.add(at(sentence) + " is all but the title '" + title
                + "', and no promise; write it like that, or begin it with [ ]"));
      }
      below(item).stream().filter(ListBlock.class::isInstance).forEach(this::prose);
    }
  }

  private String at(Node block) {
    return file + ":" + Markdown.line(block);
  }

  private static @Nullable Paragraph sentence(Node item) {
    return item.getFirstChild() instanceof Paragraph first ? first : null;
  }

  private static List<Node> below(Node parent) {
    List<Node> below = new ArrayList<>();
    for (Node one = parent.getFirstChild(); one != null; one = one.getNext()) {
      below.add(one);
    }
    return below;
  }
}
