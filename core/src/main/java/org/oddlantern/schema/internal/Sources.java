package org.oddlantern.schema.internal;

import java.util.Optional;

/** Where the documents come from that schemas refer to. */
public interface Sources {

  /**
   * The document at an address.
   *
   * @param uri the address, without a fragment
   * @return the document; empty if there is none
   */
  Optional<Document> document(String uri);

  /**
   * Why there is nothing at an address, and what to do.
   *
   * @param uri the address
   * @return the reason, for people
   */
  String whyNot(String uri);
}
