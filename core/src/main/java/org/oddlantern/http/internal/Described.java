package org.oddlantern.http.internal;

import java.util.List;
import org.oddlantern.internal.described.DescribedService;
import org.oddlantern.internal.described.Deviation;
import org.oddlantern.internal.described.Holding;
import org.oddlantern.internal.described.KnownDescriptions;

/**
 * Holds exchanges of a service against its description.
 *
 * @param service the service, and where its description is
 * @param judge what comes of what is not as described
 */
public record Described(DescribedService service, DescribedBy.Judge judge) {

  /**
   * What an exchange did otherwise than described.
   *
   * @param exchange the exchange
   * @param descriptions where descriptions are read
   * @throws org.oddlantern.internal.description.DescriptionProblem if there is none that can be used
   */
  public List<Deviation> deviations(Exchange exchange, KnownDescriptions descriptions) {
    Holding holding =
        new Holding(descriptions.of(service).document(), judge == DescribedBy.Judge.MUST);
    return holding.held(ExchangeFacts.of(exchange, service.address())).deviations();
  }
}
