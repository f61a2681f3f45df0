package org.oddlantern.demo.beeyard;

import jakarta.mail.Message;
import jakarta.mail.MessagingException;
import jakarta.mail.Session;
import jakarta.mail.Transport;
import jakarta.mail.internet.InternetAddress;
import jakarta.mail.internet.MimeMessage;
import java.util.Properties;

/**
 * Writes to keepers.
 *
 * @param port the port of the mail server on this machine; 0 if nobody is written to
 */
record Mail(int port) {

  /** Writes a little later, so that nobody has to wait for it. */
  void send(String keeper, String subject, String text) {
    if (port > 0) {
      Thread thread = new Thread(() -> sent(keeper, subject, text), "mail");
      thread.setDaemon(true);
      thread.start();
    }
  }

  private void sent(String keeper, String subject, String text) {
    Properties properties = new Properties();
    properties.put("mail.smtp.host", "127.0.0.1");
    properties.put("mail.smtp.port", String.valueOf(port));
    properties.put("mail.smtp.connectiontimeout", "2000");
    properties.put("mail.smtp.timeout", "2000");
    try {
      MimeMessage message = new MimeMessage(Session.getInstance(properties));
      message.setFrom(new InternetAddress("beeyard@fennelhill.example"));
      message.setRecipient(
          Message.RecipientType.TO, new InternetAddress(keeper + "@fennelhill.example"));
      message.setSubject(subject);
      message.setText(text);
      Transport.send(message);
    } catch (MessagingException e) {
      throw new IllegalStateException("no mail could be sent to " + keeper, e);
    }
  }
}
