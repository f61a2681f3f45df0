package org.oddlantern.config.internal;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.schema.Draft;
import org.oddlantern.schema.SchemaReader;
import org.oddlantern.shaded.org.snakeyaml.engine.v2.nodes.Node;

/**
 * What the settings say of JSON Schemas.
 *
 * @param hosts what schemas may be fetched from, beside the services of the environment
 * @param assertsFormats whether a text that is not written in its format is refused
 * @param draft the draft of schemas that name none
 */
public record SchemaSettings(List<String> hosts, boolean assertsFormats, Draft draft) {

  /** What holds where the settings say nothing. */
  public static final SchemaSettings STANDARD =
      new SchemaSettings(List.of(), true, Draft.DRAFT_2020_12);

  private static final List<String> KEYS = List.of("hosts", "formats", "draft");
  private static final List<String> FORMATS = List.of("assert", "annotate");

  /** Keeps its own list. */
  public SchemaSettings {
    hosts = List.copyOf(hosts);
  }

  static SchemaSettings read(YamlNodes yaml, @Nullable Node node) {
    if (node == null) {
      return STANDARD;
    }
    Map<String, Node> members = yaml.members(node, "'schemas'", KEYS);
    List<String> hosts = new ArrayList<>();
    Node all = members.get("hosts");
    if (all != null) {
      yaml.items(all, "'hosts'")
          .forEach(item -> hosts.add(yaml.text(item, "an entry of 'hosts'").text()));
    }
    Node formats = members.get("formats");
    String mode = formats == null ? "assert" : yaml.text(formats, "'formats'").text();
    if (formats != null && !FORMATS.contains(mode)) {
      throw yaml.problem(formats, "'formats' must be assert or annotate, not '" + mode + "'");
    }
    return new SchemaSettings(hosts, mode.equals("assert"), draft(yaml, members.get("draft")));
  }

  private static Draft draft(YamlNodes yaml, @Nullable Node node) {
    if (node == null) {
      return STANDARD.draft;
    }
    String text = yaml.text(node, "'draft'").text();
    for (Draft draft : Draft.values()) {
      if (draft.label().equals("draft" + text)) {
        return draft;
      }
    }
    throw yaml.problem(node, "'draft' must be 4, 6, 7, 2019-09 or 2020-12, not '" + text + "'");
  }

  SchemaReader reader() {
    SchemaReader reader = SchemaReader.standard().assuming(draft).assertingFormats(assertsFormats);
    for (String host : hosts) {
      reader = reader.fetchingFrom(host);
    }
    return reader;
  }

  List<SettingInForce> inForce(String origin) {
    List<SettingInForce> lines = new ArrayList<>();
    hosts.forEach(host -> lines.add(new SettingInForce("schemas.hosts", host, origin)));
    if (!assertsFormats) {
      lines.add(new SettingInForce("schemas.formats", "annotate", origin));
    }
    if (draft != STANDARD.draft) {
      lines.add(new SettingInForce("schemas.draft", draft.label(), origin));
    }
    return lines;
  }
}
