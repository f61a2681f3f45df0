package org.oddlantern.schema.internal;

import java.util.EnumSet;
import java.util.Set;
import org.oddlantern.schema.Draft;

/**
 * By which rules a schema is read.
 *
 * @param draft the draft
 * @param uri the address of its meta-schema
 * @param vocabularies the groups of keywords that mean something; all of them before 2019-09
 * @param openApi whether it is the dialect of OpenAPI 3.0: draft 4 with {@code nullable}
 */
record Dialect(Draft draft, String uri, Set<Vocabulary> vocabularies, boolean openApi) {

  static Dialect of(Draft draft) {
    return new Dialect(
        draft, draft.uri(), EnumSet.complementOf(EnumSet.of(Vocabulary.FORMAT_ASSERTION)), false);
  }

  static Dialect ofOpenApi() {
    Dialect plain = of(Draft.DRAFT_4);
    return new Dialect(plain.draft, plain.uri, plain.vocabularies, true);
  }

  Dialect with(String address, Set<Vocabulary> own) {
    return new Dialect(draft, address, own, openApi);
  }

  boolean has(Vocabulary vocabulary) {
    return vocabularies.contains(vocabulary);
  }

  /** What names a schema. */
  String identifier() {
    return draft == Draft.DRAFT_4 ? "id" : "$id";
  }

  /** Whether nothing beside a reference counts. */
  boolean refStandsAlone() {
    return draft.until(Draft.DRAFT_7);
  }
}
