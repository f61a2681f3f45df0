package org.oddlantern.reports.html;

import java.io.IOException;
import java.nio.file.Path;
import org.oddlantern.reports.RunData;
import org.oddlantern.run.Journal;

/** placeholder. */
public final class HtmlReport {
  private HtmlReport() {}
  /** x. */
  public static void write(RunData run, Journal journal, Path folder) throws IOException {}
}
