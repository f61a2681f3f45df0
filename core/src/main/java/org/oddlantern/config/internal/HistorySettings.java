package org.oddlantern.config.internal;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.org.snakeyaml.engine.v2.nodes.Node;

/**
 * What the settings say of earlier runs.
 *
 * @param folder where short journals of runs are kept; null if none are
 * @param keep how many runs, like {@code 50}, or of how many days, like {@code 90d}
 */
public record HistorySettings(@Nullable Path folder, String keep) {

  /** What holds where the settings say nothing. */
  public static final HistorySettings STANDARD = new HistorySettings(null, "60");

  /** How {@code keep} is written: a number of runs, or of days. */
  public static final Pattern KEEP = Pattern.compile("([1-9]\\d{0,5})(d?)");

  private static final List<String> KEYS = List.of("folder", "keep");

  static HistorySettings read(YamlNodes yaml, @Nullable Node node, @Nullable Path settings) {
    if (node == null) {
      return STANDARD;
    }
    Map<String, Node> members = yaml.members(node, "'history'", KEYS);
    Node folder = members.get("folder");
    if (folder == null) {
      throw yaml.problem(node, "'history' needs a 'folder'");
    }
    Path named = Path.of(yaml.text(folder, "'folder'").text());
    Node keep = members.get("keep");
    String text = keep == null ? STANDARD.keep : yaml.text(keep, "'keep'").text();
    if (keep != null && !KEEP.matcher(text).matches()) {
      throw yaml.problem(
          keep,
          "'keep' must be a number of runs, like 50, or of days, like 90d, not '" + text + "'");
    }
    return new HistorySettings(settings == null ? named : settings.resolve(named), text);
  }

  List<SettingInForce> inForce(String origin) {
    List<SettingInForce> lines = new ArrayList<>();
    if (folder != null) {
      lines.add(new SettingInForce("history.folder", folder.toString(), origin));
      lines.add(new SettingInForce("history.keep", keep, origin));
    }
    return lines;
  }
}
