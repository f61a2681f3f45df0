package org.oddlantern.internal.reports.html;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.promise.Markdown;
import org.oddlantern.internal.promise.Promise;
import org.oddlantern.internal.promise.PromiseDocument;
import org.oddlantern.internal.promise.SampleTable;
import org.oddlantern.internal.promise.Sentence;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.reports.Keeping;
import org.oddlantern.internal.reports.PageDetail;
import org.oddlantern.internal.reports.RunData;
import org.oddlantern.shaded.org.commonmark.node.ListBlock;
import org.oddlantern.shaded.org.commonmark.node.ListItem;
import org.oddlantern.shaded.org.commonmark.node.Node;
import org.oddlantern.shaded.org.commonmark.node.Paragraph;

/** Lays out one document: its prose as it is, its promises with what became of them. */
final class DocumentPage {

  /** Whoever wants to see more looks at the page of the suite. */
  private static final int MOST_PROOFS = 50;

  private final RunData run;
  private final PromiseDocument document;
  private final PageDetail pages;
  private final String prefix;
  private final Function<CaseRecord, CaseView> view;
  private final Map<Integer, Promise> promises = new HashMap<>();
  private final Prose prose = new Prose();

  DocumentPage(
      RunData run,
      PromiseDocument document,
      int number,
      PageDetail pages,
      Function<CaseRecord, CaseView> view) {
    this.run = run;
    this.document = document;
    this.pages = pages;
    this.prefix = "promise-" + number + "-";
    this.view = view;
    document.promises().forEach(one -> promises.put(one.line(), one));
  }

  PromisesView.DocumentView view() {
    return new PromisesView.DocumentView(document.file(), blocks());
  }

  /** What is nested too deeply to be laid out stands as it was written, and the page is made. */
  private List<PromisesView.BlockView> blocks() {
    try {
      return blocks(Markdown.read(document.text()).getFirstChild());
    } catch (StackOverflowError e) {
      return List.of(new PromisesView.BlockView(prose.asWritten(document.text()), List.of()));
    }
  }

  private List<PromisesView.BlockView> blocks(@Nullable Node first) {
    List<PromisesView.BlockView> blocks = new ArrayList<>();
    for (Node block = first; block != null; block = block.getNext()) {
      if (holdsPromise(block)) {
        if (block instanceof ListBlock) {
          blocks.add(new PromisesView.BlockView("", items(block)));
        } else {
          blocks.addAll(blocks(block.getFirstChild()));
        }
      } else {
        blocks.add(new PromisesView.BlockView(prose.html(block), List.of()));
      }
    }
    return blocks;
  }

  private boolean holdsPromise(Node block) {
    for (Node child = block.getFirstChild(); child != null; child = child.getNext()) {
      if (child instanceof Paragraph && child.getParent() instanceof ListItem
          ? promise(child) != null
          : holdsPromise(child)) {
        return true;
      }
    }
    return false;
  }

  /** The promise a paragraph makes; null if it makes none. */
  private @Nullable Promise promise(Node sentence) {
    return sentence.getPrevious() == null ? promises.get(Markdown.line(sentence)) : null;
  }

  private List<PromisesView.ItemView> items(Node list) {
    List<PromisesView.ItemView> items = new ArrayList<>();
    for (Node item = list.getFirstChild(); item != null; item = item.getNext()) {
      Node sentence = item.getFirstChild();
      Promise promise = sentence instanceof Paragraph ? promise(sentence) : null;
      items.add(
          promise == null || sentence == null
              ? new PromisesView.ItemView(
                  "", "", "", "", "", null, List.of(), 0, blocks(item.getFirstChild()))
              : item(promise, sentence));
    }
    return items;
  }

  private PromisesView.ItemView item(Promise promise, Node sentence) {
    Keeping keeping = run.promises().of(document, promise);
    List<CaseRecord> shown = shown(promise);
    return new PromisesView.ItemView(
        prefix + promise.line(),
        Sentence.words(prose.inside(sentence)),
        keeping.word(),
        "is-" + keeping.name().toLowerCase(Locale.ROOT).replace('_', '-'),
        new PromiseNote(run, promise).words(),
        samples(promise.samples()),
        new Views<>(shown.stream().limit(MOST_PROOFS).toList(), view),
        Math.max(0, shown.size() - MOST_PROOFS),
        blocks(below(sentence, promise)));
  }

  /** The cases that ran and that the pages tell; those that want a look come first. */
  private List<CaseRecord> shown(Promise promise) {
    List<CaseRecord> kept = new ArrayList<>();
    List<CaseRecord> shown = new ArrayList<>();
    for (String id : promise.cases()) {
      CaseRecord one = run.byId(id);
      if (one != null && one.hasRun() && pages != PageDetail.COUNTS) {
        (Keeping.of(one) == Keeping.KEPT ? kept : shown).add(one);
      }
    }
    if (pages == PageDetail.ALL) {
      shown.addAll(kept);
    }
    return shown;
  }

  /** What stands below the sentence, without the paragraph that names the samples. */
  private static @Nullable Node below(Node sentence, Promise promise) {
    Node next = sentence.getNext();
    for (Node block = next; block != null && promise.samples() != null; block = block.getNext()) {
      if (block instanceof Paragraph && SampleTable.isNamedIn(Markdown.plain(block))) {
        next = block == next ? block.getNext() : next;
        block.unlink();
        break;
      }
    }
    return next;
  }

  private PromisesView.@Nullable SamplesView samples(@Nullable SampleTable table) {
    return table == null
        ? null
        : new PromisesView.SamplesView(
            table.file(), table.columns(), table.rows().stream().map(this::row).toList());
  }

  private PromisesView.RowView row(SampleTable.Row row) {
    CaseRecord one = row.caseId().isEmpty() ? null : run.byId(row.caseId());
    Keeping keeping = one == null ? Keeping.NOT_TRIED : Keeping.of(one);
    return new PromisesView.RowView(
        row.caseId().isEmpty() ? "" : keeping.word(), keeping == Keeping.BROKEN, row.cells());
  }
}
