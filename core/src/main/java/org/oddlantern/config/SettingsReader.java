package org.oddlantern.config;

import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.BadPath;
import org.oddlantern.json.JsonPath;
import org.snakeyaml.engine.v2.nodes.Node;

/** Turns the text of {@code odd-lantern.yaml} into settings, or says in which line it is wrong. */
final class SettingsReader {

  private static final List<String> TOP = List.of("use", "environments", "mask");
  private static final List<String> ENVIRONMENT = List.of("services");
  private static final List<String> SERVICE = List.of("url", "deadline", "bearer", "headers");

  private final YamlNodes yaml;
  private final String origin;

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
      return new Settings(origin, folder, "", Map.of(), List.of());
    }
    Map<String, Node> top = yaml.members(root, "the settings", TOP);
    Map<String, EnvironmentSettings> environments = new LinkedHashMap<>();
    Node all = top.get("environments");
    if (all != null) {
      yaml.members(all, "'environments'", null)
          .forEach((name, node) -> environments.put(name, environment(name, node)));
    }
    return new Settings(origin, folder, use(top.get("use")), environments, mask(top.get("mask")));
  }

  private String use(@Nullable Node node) {
    return node == null ? "" : yaml.text(node, "'use'").text();
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
        JsonPath.of(entry.text());
      }
      return entry.text();
    } catch (BadPath e) {
      throw new SettingsProblem(entry.place() + ": " + e.getMessage());
    }
  }

  private EnvironmentSettings environment(String name, Node node) {
    Map<String, ServiceSettings> services = new LinkedHashMap<>();
    Node all = yaml.members(node, "the environment '" + name + "'", ENVIRONMENT).get("services");
    if (all != null) {
      yaml.members(all, "'services'", null)
          .forEach((service, settings) -> services.put(service, service(service, settings)));
    }
    return new EnvironmentSettings(name, services);
  }

  private ServiceSettings service(String name, Node node) {
    String what = "the service '" + name + "'";
    Map<String, Node> members = yaml.members(node, what, SERVICE);
    Node url = members.get("url");
    if (url == null) {
      throw yaml.problem(node, what + " has no address: add url: \"http://...\"");
    }
    return new ServiceSettings(
        yaml.text(url, "'url'"),
        deadline(members.get("deadline")),
        members.get("bearer") == null ? null : yaml.text(members.get("bearer"), "'bearer'"),
        headers(members.get("headers")));
  }

  private Map<String, SettingsValue> headers(@Nullable Node node) {
    Map<String, SettingsValue> headers = new LinkedHashMap<>();
    if (node != null) {
      yaml.members(node, "'headers'", null)
          .forEach((name, value) -> headers.put(name, yaml.text(value, "the header " + name)));
    }
    return headers;
  }

  private @Nullable Duration deadline(@Nullable Node node) {
    if (node == null) {
      return null;
    }
    SettingsValue value = yaml.text(node, "'deadline'");
    String number = value.text().replaceAll("(ms|s|m)$", "");
    if (!value.text().matches("\\d{1,6}(ms|s|m)") || Long.parseLong(number) == 0) {
      throw new SettingsProblem(
          value.place() + ": 'deadline' is '" + value.text() + "'; write it like 3s, 500ms or 1m");
    }
    long amount = Long.parseLong(number);
    return value.text().endsWith("ms")
        ? Duration.ofMillis(amount)
        : value.text().endsWith("s") ? Duration.ofSeconds(amount) : Duration.ofMinutes(amount);
  }
}
