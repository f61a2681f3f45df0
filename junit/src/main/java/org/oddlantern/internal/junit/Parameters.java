package org.oddlantern.internal.junit;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.junit.platform.engine.ConfigurationParameters;
import org.oddlantern.config.SettingsProblem;
import org.oddlantern.config.internal.EnvironmentSettings;
import org.oddlantern.config.internal.Settings;
import org.oddlantern.config.internal.SettingsFile;
import org.oddlantern.internal.connections.ConnectionLog;
import org.oddlantern.internal.plan.Plan;
import org.oddlantern.internal.plan.RunPart;
import org.oddlantern.internal.reports.folder.RunFolder;
import org.oddlantern.internal.run.AskedPart;
import org.oddlantern.internal.run.BlindSpots;
import org.oddlantern.internal.run.RunNames;
import org.oddlantern.internal.run.RunOrder;
import org.oddlantern.json.internal.NearestMatch;

/**
 * What configuration parameters say about a run.
 *
 * @param named the value of a parameter; null if it is not set
 */
public record Parameters(Function<String, @Nullable String> named) {

  private static final String PREFIX = "odd-lantern.";

  /** What each of them means, by name. */
  public static final Map<String, String> MEANINGS = meanings();

  /** Set by this library's own command. */
  private static final Set<String> OWN =
      Set.of("odd-lantern.home", "odd-lantern.columns", "odd-lantern.terminal");

  private static Map<String, String> meanings() {
    Map<String, String> meanings = new LinkedHashMap<>();
    meanings.put("odd-lantern.env", "The environment, like --env.");
    meanings.put("odd-lantern.set", "Settings, like --set, separated by blanks.");
    meanings.put("odd-lantern.lanes", "How many cases run side by side, like --lanes.");
    meanings.put("odd-lantern.part", "A share of the run, like 2/5 or auto, like --part.");
    meanings.put(
        "odd-lantern.earlier",
        "The folder of an earlier run, whose times balance the shares, like --times-from.");
    meanings.put("odd-lantern.seed", "Repeats the fresh values of a run, like --seed.");
    meanings.put(
        "odd-lantern.shuffle",
        "true runs the cases in any order that their values allow, like --shuffle.");
    meanings.put(
        "odd-lantern.debug", "true writes connections.log beside each journal, like --debug.");
    meanings.put(
        "odd-lantern.blind-spots",
        "true shows what nobody would notice, like --blind-spots; all examines each case whole.");
    meanings.put("odd-lantern.out", "The folder for journal and reports, like --out.");
    return Collections.unmodifiableMap(meanings);
  }

  /**
   * Of the platform, which looks into its own file and the system properties, too.
   *
   * @param parameters those of a request
   */
  public Parameters(ConfigurationParameters parameters) {
    this(name -> parameters.get(name).orElse(null));
  }

  /**
   * The settings that hold for suites.
   *
   * @param loader the class path of the suites
   * @return the settings
   * @throws SettingsProblem if they are wrong
   */
  public Settings settings(ClassLoader loader) {
    refuseUnknown();
    String set = named.apply("odd-lantern.set");
    List<String> assignments =
        set == null ? List.of() : Stream.of(set.trim().split("\\s+")).toList();
    return SettingsFile.find(Path.of(""), loader).overriddenBy(assignments);
  }

  /**
   * What to run, and on what.
   *
   * @param plan the cases
   * @param settings the settings
   * @param loader the class path of the suites
   * @return the order
   * @throws SettingsProblem if no environment is chosen, or an unknown one
   */
  public RunOrder order(Plan plan, Settings settings, ClassLoader loader) {
    String seed = named.apply("odd-lantern.seed");
    return new RunOrder(
        Path.of("").toAbsolutePath().getFileName() + "",
        plan,
        settings,
        environment(settings),
        System.getenv(),
        loader,
        seed == null ? RunNames.fresh() : seed,
        lanes(),
        blindSpots(),
        truth("odd-lantern.shuffle"));
  }

  private boolean truth(String name) {
    String asked = named.apply(name);
    if (asked == null || asked.equals("false")) {
      return false;
    }
    if (!asked.isEmpty() && !asked.equals("true")) {
      throw new SettingsProblem(name + " takes true or false, not " + asked);
    }
    return true;
  }

  private BlindSpots blindSpots() {
    String asked = named.apply("odd-lantern.blind-spots");
    if (asked == null || asked.equals("false")) {
      return BlindSpots.NONE;
    }
    return switch (asked) {
      case "", "true" -> BlindSpots.ONCE;
      case "all" -> BlindSpots.ALL;
      default ->
        throw new SettingsProblem("odd-lantern.blind-spots takes true, false or all, not " + asked);
    };
  }

  /**
   * Where journal and report go.
   *
   * @return the folder that is named, else that of the build
   */
  public RunFolder out() {
    String out = named.apply("odd-lantern.out");
    return out == null ? RunFolder.standard() : new RunFolder(Path.of(out));
  }

  /**
   * The log of connections.
   *
   * @param journal the journal beside which it lies
   * @return the log; null if none is wanted
   * @throws IOException if it cannot be written
   */
  public @Nullable ConnectionLog connections(Path journal) throws IOException {
    return truth("odd-lantern.debug") ? ConnectionLog.beside(journal) : null;
  }

  /** The environment in use. */
  EnvironmentSettings environment(Settings settings) {
    String asked = named.apply("odd-lantern.env");
    String name = asked == null ? System.getenv("ODD_LANTERN_ENV") : asked;
    return settings.environment(name == null || name.isEmpty() ? null : name);
  }

  /**
   * The part to run.
   *
   * @return the part that is named, else the whole
   * @throws SettingsProblem if there is no such part
   */
  public RunPart part() {
    String part = named.apply("odd-lantern.part");
    String earlier = named.apply("odd-lantern.earlier");
    if (part == null) {
      return RunPart.WHOLE;
    }
    try {
      return new AskedPart(part, earlier == null ? null : Path.of(earlier), System.getenv()).part();
    } catch (IllegalArgumentException e) {
      throw new SettingsProblem("odd-lantern.part: " + e.getMessage());
    } catch (IOException e) {
      throw new SettingsProblem(
          "the journals of odd-lantern.earlier cannot be read: " + e.getMessage());
    }
  }

  /** A property that nobody reads would be a wish that nobody hears. */
  private static void refuseUnknown() {
    for (String name : new TreeSet<>(System.getProperties().stringPropertyNames())) {
      if (name.startsWith(PREFIX) && !MEANINGS.keySet().contains(name) && !OWN.contains(name)) {
        String hint = NearestMatch.hint(name, MEANINGS.keySet());
        throw new SettingsProblem("the property %s is unknown; %sthere are %s"
            .formatted(
                name, hint.isEmpty() ? "" : hint + " ", String.join(", ", MEANINGS.keySet())));
      }
    }
  }

  private int lanes() {
    String lanes = named.apply("odd-lantern.lanes");
    try {
      return lanes == null ? 1 : RunOrder.lanes(lanes);
    } catch (IllegalArgumentException e) {
      throw new SettingsProblem("odd-lantern.lanes " + e.getMessage());
    }
  }
}
