package org.oddlantern.demo.suites;

import jakarta.mail.MessagingException;
import jakarta.mail.Session;
import jakarta.mail.internet.MimeMessage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.InetAddress;
import java.util.List;
import java.util.Properties;
import java.util.concurrent.CopyOnWriteArrayList;
import org.oddlantern.standin.Observed;
import org.subethamail.smtp.server.SMTPServer;

/** A mail server that keeps what it gets, so that a suite can look into the mailboxes of keepers. */
final class Mailbox implements AutoCloseable {

  private final List<Letter> letters = new CopyOnWriteArrayList<>();
  private final SMTPServer server = SMTPServer.port(0)
      .bindAddress(InetAddress.getLoopbackAddress())
      .messageHandler((context, from, to, bytes) -> letters.add(letter(to, bytes)))
      .build();

  Mailbox() {
    server.start();
  }

  int port() {
    return server.getPortAllocated();
  }

  /** What a keeper got so far, as evidence. */
  Observed of(String keeper) {
    return Observed.of(
        "the mailbox of " + keeper,
        letters.stream().filter(one -> one.to().startsWith(keeper + "@")).toList());
  }

  @Override
  public void close() {
    server.stop();
  }

  private static Letter letter(String to, byte[] bytes) {
    try {
      MimeMessage message =
          new MimeMessage(Session.getInstance(new Properties()), new ByteArrayInputStream(bytes));
      return new Letter(
          to, message.getSubject(), String.valueOf(message.getContent()).strip());
    } catch (MessagingException | IOException e) {
      throw new IllegalStateException("a letter to " + to + " cannot be read", e);
    }
  }

  /** A letter as it came. */
  record Letter(String to, String subject, String text) {}
}
