package org.oddlantern.json.internal;

import java.math.BigDecimal;
import org.oddlantern.shaded.tools.jackson.core.io.NumberOutput;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.DecimalNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.NumericNode;

/**
 * What number a node stands for. A binary float stands for the shortest decimal that reads back to it,
 * which is what is written; by the mapper's writer, since that of the JDK is not the shortest before 19.
 */
public final class Decimals {

  private Decimals() {}

  /**
   * The number, exactly.
   *
   * @param node a number
   * @return its value
   */
  public static BigDecimal of(JsonNode node) {
    if (node.isFloat()) {
      return of(node.floatValue());
    }
    return node.isDouble() ? of(node.doubleValue()) : node.decimalValue();
  }

  /**
   * The shortest decimal that reads back to a number.
   *
   * @param number a finite number
   * @return the decimal
   */
  public static BigDecimal of(double number) {
    return new BigDecimal(NumberOutput.toString(number, true));
  }

  /**
   * The shortest decimal that reads back to a number.
   *
   * @param number a finite number
   * @return the decimal
   */
  public static BigDecimal of(float number) {
    return new BigDecimal(NumberOutput.toString(number, true));
  }

  /** Makes the nodes of trees, floats as the decimals they stand for. */
  static final class Nodes extends JsonNodeFactory {
    private static final long serialVersionUID = 1L;

    @Override
    public NumericNode numberNode(float number) {
      return Float.isFinite(number) ? DecimalNode.valueOf(of(number)) : super.numberNode(number);
    }

    @Override
    public NumericNode numberNode(double number) {
      return Double.isFinite(number) ? DecimalNode.valueOf(of(number)) : super.numberNode(number);
    }
  }
}
