package org.oddlantern.config.internal;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.config.SettingsProblem;
import org.oddlantern.json.BadPath;
import org.oddlantern.json.internal.NearestMatch;
import org.oddlantern.json.internal.Words;
import org.oddlantern.json.internal.path.TreePath;
import org.oddlantern.shaded.org.snakeyaml.engine.v2.nodes.Node;

/** Turns the text of {@code odd-lantern.yaml} into settings, or says in which line it is wrong. */
final class SettingsReader {

  private static final List<String> TOP = List.of(
      "environment",
      "services",
      "environments",
      "mask",
      "schemas",
      "history",
      "promises",
      "unwatched");
  private static final List<String> ENVIRONMENT = List.of("services", "databases", "readOnly");

  private final YamlNodes yaml;
  private final String origin;

  /** What holds of a service in every environment. */
  private final Map<String, Map<String, SettingsValue>> everywhere = new LinkedHashMap<>();

  private SettingsReader(String origin) {
    this.yaml = new YamlNodes(origin);
    this.origin = origin;
  }

  static Settings read(String text, String origin, @Nullable Path folder) {
    return new SettingsReader(origin).settings(text, folder);
  }

  private Settings settings(String text, @Nullable Path folder) {
    Node root = yaml.compose(text);
    if (root == null) {
      return Settings.empty(origin, folder);
    }
    Map<String, Node> top = yaml.members(root, "the settings", TOP);
    Node shared = top.get("services");
    if (shared != null) {
      yaml.members(shared, "'services'", null)
          .forEach((name, node) -> everywhere.put(name, shared(name, node)));
    }
    Map<String, EnvironmentSettings> environments = new LinkedHashMap<>();
    Node all = top.get("environments");
    if (all != null) {
      yaml.members(all, "'environments'", null)
          .forEach((name, node) -> environments.put(name, environment(name, node)));
    }
    if (shared != null) {
      refuseUnused(shared, environments.values());
    }
    return new Settings(
        origin,
        folder,
        use(top.get("environment")),
        environments,
        mask(top.get("mask")),
        SchemaSettings.read(yaml, top.get("schemas")),
        HistorySettings.read(yaml, top.get("history"), folder),
        strict(top.get("promises")),
        unwatched(top.get("unwatched")));
  }

  private List<String> unwatched(@Nullable Node node) {
    List<String> places = new ArrayList<>();
    if (node != null) {
      for (Node item : yaml.items(node, "'unwatched'")) {
        String text = yaml.text(item, "an entry of 'unwatched'").text().strip();
        if (text.isEmpty()) {
          throw yaml.problem(
              item,
              "an entry of 'unwatched' is a place, like GET /status $.asked or header Server");
        }
        places.add(text);
      }
    }
    return List.copyOf(places);
  }

  private boolean strict(@Nullable Node node) {
    if (node == null) {
      return false;
    }
    String text = yaml.text(node, "'promises'").text();
    if (!text.equals("strict")) {
      throw yaml.problem(node, "'promises' is strict, or left out; not '" + text + "'");
    }
    return true;
  }

  private String use(@Nullable Node node) {
    return node == null ? "" : yaml.text(node, "'environment'").text();
  }

  private List<String> mask(@Nullable Node node) {
    List<String> masked = new ArrayList<>();
    if (node != null) {
      for (Node item : yaml.items(node, "'mask'")) {
        masked.add(maskEntry(yaml.text(item, "an entry of 'mask'")));
      }
    }
    return List.copyOf(masked);
  }

  private static String maskEntry(SettingsValue entry) {
    try {
      if (entry.text().startsWith("$")) {
        TreePath.of(entry.text());
      }
      return entry.text();
    } catch (BadPath e) {
      throw new SettingsProblem(entry.place() + ": " + e.getMessage());
    }
  }

  private EnvironmentSettings environment(String name, Node node) {
    Map<String, ServiceSettings> services = new LinkedHashMap<>();
    Map<String, Node> members = yaml.members(node, "the environment '" + name + "'", ENVIRONMENT);
    Node all = members.get("services");
    if (all != null) {
      yaml.members(all, "'services'", null)
          .forEach((service, settings) -> services.put(service, service(service, settings)));
    }
    return new EnvironmentSettings(
        name, services, databases(members.get("databases")), readOnly(members.get("readOnly")));
  }

  private Map<String, DatabaseSettings> databases(@Nullable Node all) {
    Map<String, DatabaseSettings> databases = new LinkedHashMap<>();
    if (all != null) {
      yaml.members(all, "'databases'", null)
          .forEach((name, node) -> databases.put(name, database(name, node)));
    }
    return databases;
  }

  private DatabaseSettings database(String name, Node node) {
    String what = "the database '" + name + "'";
    Map<String, SettingsValue> values = new LinkedHashMap<>();
    yaml.members(node, what, DatabaseSettings.KEYS)
        .forEach((key, value) -> values.put(key, checked(key, leaf(value, "'" + key + "'"))));
    if (!values.containsKey("url")) {
      throw yaml.problem(node, what + " has no address: add url: \"jdbc:...\"");
    }
    return new DatabaseSettings(name, values);
  }

  private @Nullable SettingsValue readOnly(@Nullable Node node) {
    if (node == null) {
      return null;
    }
    SettingsValue value = yaml.text(node, "'readOnly'");
    Quantities.truth(value.text(), value.place(), "readOnly");
    return value;
  }

  /** The same keys at the top of the file; where a service is depends on the environment. */
  private Map<String, SettingsValue> shared(String name, Node node) {
    Map<String, SettingsValue> values = values(name, node);
    SettingsValue url = values.get("url");
    if (url != null) {
      throw new SettingsProblem(url.place() + ": the address of the service '" + name
          + "' depends on the environment; say it there, and here what holds everywhere");
    }
    return values;
  }

  private void refuseUnused(Node shared, Collection<EnvironmentSettings> environments) {
    Set<String> known = new LinkedHashSet<>();
    environments.forEach(one -> known.addAll(one.services().keySet()));
    for (String name : everywhere.keySet()) {
      if (!known.contains(name)) {
        String hint = NearestMatch.hint(name, known);
        throw yaml.problem(
            shared,
            "no environment has the service '%s'; %s%s"
                .formatted(
                    name,
                    known.isEmpty() ? "there are none" : "there are " + Words.names(known),
                    hint.isEmpty() ? "" : " (" + hint + ")"));
      }
    }
  }

  private ServiceSettings service(String name, Node node) {
    Map<String, SettingsValue> own = values(name, node);
    if (!own.containsKey("url")) {
      throw yaml.problem(
          node, "the service '" + name + "' has no address: add url: \"http://...\"");
    }
    boolean credentials = own.keySet().stream().anyMatch(ServiceKeys::isCredential);
    Map<String, SettingsValue> all = new LinkedHashMap<>();
    everywhere.getOrDefault(name, Map.of()).forEach((key, value) -> {
      if (!own.containsKey(key) && !(credentials && ServiceKeys.isCredential(key))) {
        all.put(key, value);
      }
    });
    all.putAll(own);
    return new ServiceSettings(name, all);
  }

  private Map<String, SettingsValue> values(String name, Node node) {
    String what = "the service '" + name + "'";
    Map<String, SettingsValue> values = new LinkedHashMap<>();
    yaml.members(node, what, ServiceKeys.top()).forEach((key, value) -> {
      if (key.equals("headers")) {
        group(key, value, null, values);
      } else if (ServiceKeys.GROUPS.containsKey(key)
          && (!ServiceKeys.mayBeText(key) || yaml.isMapping(value))) {
        group(key, value, ServiceKeys.GROUPS.get(key), values);
      } else {
        values.put(key, checked(key, leaf(value, "'" + key + "'")));
      }
    });
    return values;
  }

  private void group(
      String group, Node node, @Nullable List<String> known, Map<String, SettingsValue> values) {
    yaml.members(node, "'" + group + "'", known).forEach((key, value) -> {
      String whole = group + "." + key;
      values.put(whole, checked(whole, leaf(value, "'" + key + "' in '" + group + "'")));
    });
  }

  /** A text, or {@code { file: NAME }} for what is in a file. */
  private SettingsValue leaf(Node node, String what) {
    if (!yaml.isMapping(node)) {
      return what.contains("'password'") ? yaml.anyText(node, what) : yaml.text(node, what);
    }
    Node file = yaml.members(node, what, List.of("file")).get("file");
    if (file == null) {
      throw yaml.problem(node, what + " must be a text, or { file: NAME } for what is in a file");
    }
    SettingsValue name = yaml.text(file, "'file'");
    return new SettingsValue(name.text(), name.place(), true, false);
  }

  private static SettingsValue checked(String key, SettingsValue value) {
    ServiceKeys.check(key, value);
    return value;
  }
}
