package org.oddlantern.demo.beeyard;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.net.InetAddress;
import java.net.ServerSocket;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** The beeyard from behind: its database over JDBC, and its ports. */
class BeeyardTest {

  @Test
  void itsDatabaseCanBeReadAndHoldsNoPlainPassword() throws SQLException {
    try (Beeyard beeyard = Beeyard.start(0, 0, Set.of());
        Connection connection =
            DriverManager.getConnection(beeyard.databaseAddress(), "beeyard", "fennel-and-dill")) {
      assertTrue(Integer.parseInt(read(connection, "select count(*) from inspection")) >= 60);
      String password = read(connection, "select password from keeper where name = 'wren'");
      assertNotEquals("honey-and-thyme", password);
      assertTrue(Passwords.fits("honey-and-thyme", password));
      assertFalse(Passwords.fits("honey-and-thym", password));
    }
  }

  @Test
  void aPortThatIsTakenIsLeftAlone() throws Exception {
    try (ServerSocket taken = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
      assertNotEquals(taken.getLocalPort(), FreePorts.preferring(taken.getLocalPort()));
    }
    int free = FreePorts.preferring(0);
    assertEquals(free, FreePorts.preferring(free));
  }

  private static String read(Connection connection, String query) throws SQLException {
    try (Statement statement = connection.createStatement();
        ResultSet rows = statement.executeQuery(query)) {
      rows.next();
      return rows.getString(1);
    }
  }
}
