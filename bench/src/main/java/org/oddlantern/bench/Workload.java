package org.oddlantern.bench;

/** What both sides do: so many GETs, each with its status and two values checked. */
final class Workload {

  /** The cases of {@link ExchangesTest}; the handwritten side just counts. */
  static final int CASES = 10;

  /** The system property that sets the number of exchanges. */
  static final String EXCHANGES = "bench.exchanges";

  /** The system property that sets the address of the service. */
  static final String ADDRESS = "bench.address";

  private Workload() {}

  static int exchanges() {
    return Integer.getInteger(EXCHANGES, 10_000);
  }

  static String address() {
    return System.getProperty(ADDRESS, "");
  }
}
