package org.oddlantern.internal.described;

import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.BiConsumer;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.internal.Resources;
import org.oddlantern.internal.description.ApiDocument;
import org.oddlantern.internal.description.DescriptionProblem;
import org.oddlantern.schema.Draft;
import org.oddlantern.schema.SchemaProblem;
import org.oddlantern.schema.internal.Document;
import org.oddlantern.schema.internal.DocumentText;
import org.oddlantern.schema.internal.KnownSources;
import org.oddlantern.schema.internal.MetaSchemas;
import org.oddlantern.schema.internal.ReadingRules;
import org.oddlantern.schema.internal.Side;
import org.oddlantern.schema.internal.text.KnownFormats;

/** The descriptions of a run, each read once. Thread-safe; the runner makes it. */
public final class KnownDescriptions {

  /** Of a longer one a run needs few schemas, and reading all would take longer than the rest. */
  private static final int SMALL = 1 << 20;

  private final KnownSources sources;
  private final ReadingRules rules;
  private final Map<String, Read> read = new ConcurrentHashMap<>();
  private final Set<String> told = ConcurrentHashMap.newKeySet();
  private volatile BiConsumer<DescribedService, Read> listener = (service, description) -> {};

  /**
   * None is read yet.
   *
   * @param sources where files come from
   * @param draft the draft of schemas in files that name none
   * @param assertsFormats whether formats refuse what is not written so
   */
  public KnownDescriptions(KnownSources sources, Draft draft, boolean assertsFormats) {
    this.sources = sources;
    this.rules = new ReadingRules(
        draft, assertsFormats, KnownFormats.all(), sources, new MetaSchemas(), true, Side.ANY);
  }

  /** Those of the run at work; outside of a run none is kept. */
  public static KnownDescriptions current() {
    return CurrentCase.part(KnownDescriptions.class)
        .orElseGet(() -> new KnownDescriptions(
            new KnownSources(Resources.current(), Map.of(), Set.of()), Draft.DRAFT_2020_12, true));
  }

  /** Hears once of each service that is described, and of its description. */
  public void heardBy(BiConsumer<DescribedService, Read> whoever) {
    listener = whoever;
  }

  /**
   * The description of a service, read now if it was not before.
   *
   * @param service the service
   * @throws DescriptionProblem if it cannot be used
   * @throws IllegalArgumentException if there is no such file
   */
  public Read of(DescribedService service) {
    Read found = read.computeIfAbsent(service.key(), any -> reading(service, SMALL));
    DescriptionProblem problem = found.problem();
    if (problem != null) {
      throw problem;
    }
    if (told.add(service.name() + " " + service.key())) {
      listener.accept(service, found);
    }
    return found;
  }

  /**
   * The description in a file.
   *
   * @param name as for schemas: on the class path of the suites, beside the settings, or at a URL
   */
  public ApiDocument named(String name) {
    return of(new DescribedService("", "", name, () -> "")).document();
  }

  /**
   * The same, with each of its schemas read at once, however long it is.
   *
   * @param name the name
   * @throws DescriptionProblem if it, or any schema in it, cannot be used
   */
  public ApiDocument whole(String name) {
    Read found = reading(new DescribedService("", "", name, () -> ""), Integer.MAX_VALUE);
    DescriptionProblem problem = found.problem();
    if (problem != null) {
      throw problem;
    }
    return found.document();
  }

  private Read reading(DescribedService service, int small) {
    try {
      String text = service.isOwn() ? service.fetch().get() : sources.text(service.from());
      String uri = service.isOwn() ? service.key() : sources.uri(service.from());
      return read(service.from(), uri, text, rules, small);
    } catch (DescriptionProblem e) {
      return new Read(null, "", e);
    } catch (SchemaProblem e) {
      return new Read(null, "", new DescriptionProblem(e.place(), e.reason()));
    } catch (RuntimeException e) {
      return new Read(
          null, "", new DescriptionProblem(service.from(), String.valueOf(e.getMessage())));
    }
  }

  /**
   * Reads the text of a description.
   *
   * @param name as messages call it
   * @param uri where it comes from
   * @param text the text
   * @param rules how schemas in it are read
   * @param small of how many characters on its schemas are read only when they are needed
   */
  private static Read read(String name, String uri, String text, ReadingRules rules, int small) {
    Document document = new Document(name, uri, DocumentText.tree(name, text));
    boolean json = text.stripLeading().startsWith("{");
    return new Read(ApiDocument.read(document, json, text.length() < small, rules), text, null);
  }

  /** A description out of a journal, which may refer to nothing outside of itself that is not there. */
  public static ApiDocument ofText(String name, String uri, String text, KnownSources sources) {
    KnownDescriptions own = new KnownDescriptions(sources, Draft.DRAFT_2020_12, true);
    try {
      return read(name, uri, text, own.rules, SMALL).document();
    } catch (SchemaProblem e) {
      throw new DescriptionProblem(e.place(), e.reason());
    }
  }

  /**
   * A description that was read, or could not be.
   *
   * @param found the description
   * @param text its text
   * @param problem why there is none; null if there is one
   */
  public record Read(
      @Nullable ApiDocument found, String text, @Nullable DescriptionProblem problem) {

    /** The description, where there is no problem. */
    public ApiDocument document() {
      if (found == null) {
        throw new IllegalStateException("a description with a problem has been used");
      }
      return found;
    }
  }
}
