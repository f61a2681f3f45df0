package org.oddlantern.internal;

import java.util.Optional;
import org.oddlantern.shaded.org.snakeyaml.engine.v2.api.LoadSettings;
import org.oddlantern.shaded.org.snakeyaml.engine.v2.api.lowlevel.Compose;
import org.oddlantern.shaded.org.snakeyaml.engine.v2.exceptions.MarkedYamlEngineException;
import org.oddlantern.shaded.org.snakeyaml.engine.v2.exceptions.YamlEngineException;
import org.oddlantern.shaded.org.snakeyaml.engine.v2.nodes.Node;

/** Reads YAML 1.2 as nodes, which know their lines and keep numbers as they are written. */
public final class YamlText {

  private static final int LIMIT = 64 << 20;

  private YamlText() {}

  /**
   * The node that a text is.
   *
   * @param text the text
   * @return the node; empty if there is nothing in the text
   * @throws NotYaml if it is not YAML
   */
  public static Optional<Node> compose(String text) throws NotYaml {
    try {
      return new Compose(LoadSettings.builder().setCodePointLimit(LIMIT).build())
          .composeString(text);
    } catch (MarkedYamlEngineException e) {
      String place = e.getProblemMark()
          .map(mark -> "line " + (mark.getLine() + 1) + ", column " + (mark.getColumn() + 1))
          .orElse("");
      throw new NotYaml(place, String.valueOf(e.getProblem()));
    } catch (YamlEngineException e) {
      throw new NotYaml("", String.valueOf(e.getMessage()));
    }
  }

  /** A text that was to be YAML. */
  public static final class NotYaml extends Exception {
    private static final long serialVersionUID = 1L;

    private final String place;

    NotYaml(String place, String reason) {
      super("this is not YAML: " + reason);
      this.place = place;
    }

    /**
     * Where reading stopped.
     *
     * @return line and column, counted from 1; empty if unknown
     */
    public String place() {
      return place;
    }
  }
}
