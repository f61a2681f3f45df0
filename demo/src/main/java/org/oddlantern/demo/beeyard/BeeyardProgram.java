package org.oddlantern.demo.beeyard;

import java.util.Set;

/**
 * The beeyard as a program of its own: at the port of the variable PORT, with the weather service of WEATHER
 * and the mail server at MAIL_PORT.
 */
public final class BeeyardProgram {

  private BeeyardProgram() {}

  /**
   * Serves until it is ended.
   *
   * @param arguments none
   */
  public static void main(String[] arguments) {
    Neighbours neighbours =
        new Neighbours(variable("WEATHER", ""), Integer.parseInt(variable("MAIL_PORT", "0")));
    Beeyard beeyard = Beeyard.start(
        Integer.parseInt(variable("PORT", "0")), Set.of(), neighbours, System.out::println);
    System.out.println("the beeyard is open at " + beeyard.address());
  }

  private static String variable(String name, String otherwise) {
    String value = System.getenv(name);
    return value == null ? otherwise : value;
  }
}
