package org.oddlantern.cli;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.oddlantern.internal.Resources;
import org.oddlantern.internal.described.KnownDescriptions;
import org.oddlantern.internal.description.ApiDocument;
import org.oddlantern.internal.description.DescriptionProblem;
import org.oddlantern.schema.Draft;
import org.oddlantern.schema.internal.KnownSources;

/** The descriptions that {@code report --description} names. */
final class NamedDescriptions {

  private NamedDescriptions() {}

  /**
   * Reads them.
   *
   * @param written each a file, or the name of a service, an equals sign and a file
   * @return by the name of the service; an empty name for every service
   */
  static Map<String, ApiDocument> read(List<String> written) {
    Map<String, ApiDocument> descriptions = new LinkedHashMap<>();
    for (String one : written) {
      int equals = Files.exists(Path.of(one)) ? -1 : one.indexOf('=');
      Path file = Path.of(one.substring(equals + 1));
      if (!Files.isRegularFile(file)) {
        throw new Misuse(
            "there is no description " + file + "; --description takes a file, or SERVICE=FILE");
      }
      Path folder = file.toAbsolutePath().getParent();
      KnownSources beside =
          new KnownSources(new Resources(new ClassLoader(null) {}, folder), Map.of(), Set.of());
      try {
        descriptions.put(
            equals < 0 ? "" : one.substring(0, equals),
            new KnownDescriptions(beside, Draft.DRAFT_2020_12, true)
                .whole(String.valueOf(file.getFileName())));
      } catch (DescriptionProblem e) {
        throw new Misuse(String.valueOf(e.getMessage()));
      }
    }
    return descriptions;
  }
}
