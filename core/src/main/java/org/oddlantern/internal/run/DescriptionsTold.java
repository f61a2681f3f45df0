package org.oddlantern.internal.run;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BiConsumer;
import org.oddlantern.internal.described.DescribedService;
import org.oddlantern.internal.described.KnownDescriptions;
import org.oddlantern.internal.mask.Masker;
import org.oddlantern.internal.record.DescribedRecord;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.schema.internal.Document;

/** Tells of each service that is described, with its description, once. */
record DescriptionsTold(Masker masker, Broadcast broadcast)
    implements BiConsumer<DescribedService, KnownDescriptions.Read> {

  @Override
  public void accept(DescribedService service, KnownDescriptions.Read read) {
    if (service.address().isEmpty()) {
      return; // read by a name, for no service in particular
    }
    List<DescribedRecord.Copy> copies = new ArrayList<>();
    copies.add(copy(read.document().name(), read.document().uri(), read.text()));
    for (Document other : read.document().others()) {
      copies.add(
          copy(other.name(), other.uri(), JsonMapping.standard().writeIndented(other.root())));
    }
    broadcast.tell(new RunEvent.Described(new DescribedRecord(
        service.name(), masker.text(service.address()), service.from(), copies)));
  }

  private DescribedRecord.Copy copy(String name, String uri, String text) {
    return new DescribedRecord.Copy(name, masker.text(uri), masker.text(text), null);
  }
}
