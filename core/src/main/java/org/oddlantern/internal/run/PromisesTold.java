package org.oddlantern.internal.run;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.mask.Masker;
import org.oddlantern.internal.promise.Promise;
import org.oddlantern.internal.promise.PromiseDocument;
import org.oddlantern.internal.promise.Promises;
import org.oddlantern.internal.promise.SampleTable;
import org.oddlantern.internal.record.RunEvent;

/** Tells at the beginning of a run what documents promise, and what is wrong with them. */
record PromisesTold(RunOrder order, Masker masker) {

  void to(Broadcast broadcast) {
    Promises promises = order.plan().promises();
    if (!promises.documents().isEmpty()) {
      broadcast.tell(new RunEvent.Promised(
          promises.documents().stream().map(this::masked).toList(), promises.unpromised()));
    }
    promises.problems().forEach(broadcast::problem);
    if (order.settings().strictPromises()) {
      promises
          .gaps()
          .forEach(gap -> broadcast.problem(gap + " (the settings say promises: strict)"));
    }
  }

  private PromiseDocument masked(PromiseDocument document) {
    return new PromiseDocument(
        document.file(),
        document.text(),
        document.promises().stream().map(this::masked).toList());
  }

  private Promise masked(Promise one) {
    return new Promise(
        one.line(),
        one.above(),
        one.words(),
        one.cases().stream().map(masker::id).toList(),
        one.hint(),
        masked(one.samples()));
  }

  private @Nullable SampleTable masked(@Nullable SampleTable table) {
    return table == null
        ? null
        : new SampleTable(
            table.file(),
            table.columns(),
            table.rows().stream().map(this::masked).toList());
  }

  private SampleTable.Row masked(SampleTable.Row row) {
    List<String> cells = row.cells().stream().map(masker::text).toList();
    return new SampleTable.Row(row.caseId().isEmpty() ? "" : masker.id(row.caseId()), cells);
  }
}
