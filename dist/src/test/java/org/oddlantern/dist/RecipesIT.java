package org.oddlantern.dist;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The projects of docs/recipes.md that need a program beside them. */
class RecipesIT {

  @TempDir
  Path folder;

  /** Where there is no PostgreSQL, as on a developer's machine, the rest of the build is no worse for it. */
  @Test
  void aFormOfAPageAndWhatIsInPostgres() throws Exception {
    Path programs = PostgresServer.programs();
    assumeTrue(programs != null, "this machine has no PostgreSQL");
    try (PostgresServer postgres = PostgresServer.started(programs)) {
      Project project = Project.copied("office", folder)
          .with("YARD_PORT", postgres.port() + "")
          .with("YARD_PASSWORD", "clover-and-rye");
      Command.Output built = project.run("mvn -B test");
      assertEquals(0, built.status(), built.out() + built.err());
      assertTrue(built.out().contains("Tests run: 4, Failures: 0, Errors: 0"), built.out());
      String journal = Files.readString(folder.resolve("target/odd-lantern/journal.jsonl"));
      assertFalse(journal.contains("honey-and-thyme"), journal);
      assertFalse(journal.contains("clover-and-rye"), journal);
    }
  }
}
