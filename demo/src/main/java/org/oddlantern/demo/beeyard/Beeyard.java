package org.oddlantern.demo.beeyard;

import io.javalin.Javalin;
import io.javalin.config.JavalinConfig;
import java.net.InetAddress;
import java.sql.SQLException;
import java.time.Clock;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;

/** The running service: HTTP on loopback, its database behind it. Closing it stops both. */
public final class Beeyard implements AutoCloseable {

  private static final int VAULT_PORT = 7413;

  private final Store store;
  private final Javalin server;
  private final @Nullable Vault vault;

  private Beeyard(Store store, Javalin server, @Nullable Vault vault) {
    this.store = store;
    this.server = server;
    this.vault = vault;
  }

  /**
   * Starts the service with its seeded data.
   *
   * @param port the port of the API; 0 for any
   * @param databasePort the port at which the database can be read over JDBC
   * @param faults the mistakes it shall make; asked anew at every request
   * @return the running service
   * @throws SQLException if the database cannot be started
   */
  public static Beeyard start(int port, int databasePort, Set<Fault> faults) throws SQLException {
    Store store = Store.open(databasePort, Clock.systemUTC());
    return start(port, store, faults, Neighbours.NONE, line -> {}, true);
  }

  /**
   * Starts the API alone, with its seeded data and its neighbours: no vault, and a database that cannot be
   * reached from outside.
   *
   * @param port the port of the API; 0 for any
   * @param faults the mistakes it shall make; asked anew at every request
   * @param neighbours other services it uses
   * @param log hears of every request
   * @return the running service
   */
  public static Beeyard start(
      int port, Set<Fault> faults, Neighbours neighbours, Consumer<String> log) {
    return start(port, Store.alone(Clock.systemUTC()), faults, neighbours, log, false);
  }

  private static Beeyard start(
      int port,
      Store store,
      Set<Fault> faults,
      Neighbours neighbours,
      Consumer<String> log,
      boolean withVault) {
    Javalin server = Javalin.create(config -> {
      configure(config, store, faults);
      addMore(config, store, faults, neighbours);
      config.requestLogger.http((context, millis) -> log.accept(context.method() + " "
          + context.path() + " " + context.statusCode() + " " + context.header("traceparent")));
    });
    try {
      server.start(InetAddress.getLoopbackAddress().getHostAddress(), port);
      return new Beeyard(store, server, withVault ? Vault.open(port == 0 ? 0 : VAULT_PORT) : null);
    } catch (RuntimeException e) {
      server.stop();
      store.close();
      throw e;
    }
  }

  private static void addMore(
      JavalinConfig config, Store store, Set<Fault> faults, Neighbours neighbours) {
    Access access = new Access(store);
    new Openings(
            store,
            access,
            new Weather(neighbours.weather()),
            new Mail(neighbours.mailPort()),
            faults)
        .addTo(config.routes);
    new Jars(access, faults).addTo(config.routes);
  }

  private static void configure(JavalinConfig config, Store store, Set<Fault> faults) {
    config.startup.showJavalinBanner = false;
    config.startup.showOldJavalinVersionWarning = false;
    config.jsonMapper(new BeeyardJson());
    Access access = new Access(store);
    config.routes.get("/api/health", context -> context.json(Map.of("status", "ok")));
    config.routes.post("/api/sign-in", new SignIn(store)::signIn);
    new HiveRoutes(store, access, faults).addTo(config.routes);
    new InspectionRoutes(store, access, faults).addTo(config.routes);
    new Extras(store, access).addTo(config.routes);
    new Machines(store, faults).addTo(config.routes);
    new Keepers(store, access, faults).addTo(config.routes);
    new Harvests(access, faults).addTo(config.routes);
    config.routes.get("/api/season", Season::tell);
    config.routes.after("/api/*", new Spoiling(faults)::spoil);
    config.routes.exception(Refusal.class, (refusal, context) -> refusal.answer(context));
    config.routes.error(
        404, context -> Refusal.notFound("nothing at " + context.path()).answerUnlessTold(context));
  }

  /**
   * Where the API is.
   *
   * @return its address
   */
  public String address() {
    return "http://" + InetAddress.getLoopbackAddress().getHostAddress() + ":" + server.port()
        + "/api";
  }

  /**
   * Where the vault is, which speaks TLS.
   *
   * @return its address
   */
  public String vaultAddress() {
    if (vault == null) {
      throw new IllegalStateException("this beeyard has no vault");
    }
    return vault.address();
  }

  /**
   * Where the database is.
   *
   * @return its JDBC address
   */
  public String databaseAddress() {
    return store.address();
  }

  @Override
  public void close() {
    server.stop();
    if (vault != null) {
      vault.close();
    }
    store.close();
  }
}
