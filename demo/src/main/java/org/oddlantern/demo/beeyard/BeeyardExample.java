package org.oddlantern.demo.beeyard;

import java.sql.SQLException;
import java.util.Map;
import java.util.Set;
import org.oddlantern.config.internal.Example;

/** Starts the beeyard for {@code odd-lantern demo}. */
public final class BeeyardExample implements Example {

  private static final int PORT = 7411;
  private static final int DATABASE_PORT = 7412;

  /** Made by the service loader. */
  public BeeyardExample() {}

  @Override
  public String name() {
    return "Fennel Hill beeyard";
  }

  @Override
  public Running start(boolean withFaults) throws Exception {
    Set<Fault> faults = withFaults ? Fault.SHOWN : Set.of();
    Fault.askFor(faults);
    Beeyard beeyard = started(faults);
    return new Running() {
      @Override
      public Map<String, String> addresses() {
        return Map.of(
            "beeyard", beeyard.address(),
            "gate", beeyard.address(),
            "vault", beeyard.vaultAddress(),
            "store", beeyard.databaseAddress());
      }

      @Override
      public void close() {
        beeyard.close();
        Fault.askFor(Set.of());
      }
    };
  }

  /** At the ports that are known, unless somebody else has them, or takes them just now. */
  private static Beeyard started(Set<Fault> faults) throws Exception {
    try {
      return Beeyard.start(FreePorts.preferring(PORT), FreePorts.preferring(DATABASE_PORT), faults);
    } catch (RuntimeException | SQLException e) {
      return Beeyard.start(0, 0, faults);
    }
  }
}
