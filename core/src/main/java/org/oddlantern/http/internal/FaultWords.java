package org.oddlantern.http.internal;

import java.net.ConnectException;
import java.net.SocketException;
import java.net.UnknownHostException;
import java.time.Duration;
import java.util.zip.ZipException;
import javax.net.ssl.SSLException;
import org.oddlantern.http.WireRequest;
import org.oddlantern.shaded.org.apache.hc.client5.http.ConnectTimeoutException;
import org.oddlantern.shaded.org.apache.hc.core5.http.ConnectionClosedException;
import org.oddlantern.shaded.org.apache.hc.core5.http.HttpException;
import org.oddlantern.shaded.org.apache.hc.core5.http.MessageConstraintException;
import org.oddlantern.shaded.org.apache.hc.core5.http.NoHttpResponseException;

/** Says in a sentence why an exchange ended without a whole reply. */
final class FaultWords {

  private FaultWords() {}

  static TransportFault fault(Exception e, WireRequest request, Terms terms, Progress progress) {
    return new TransportFault(sentence(e, request, terms, progress), e, progress.isLate());
  }

  private static String sentence(Exception e, WireRequest request, Terms terms, Progress progress) {
    String place = request.uri().getRawAuthority();
    if (progress.isLate()) {
      return "the timeout of " + words(terms.timeout()) + " is over; " + progress.received()
          + progress.streamHint();
    }
    if (e instanceof UnknownHostException) {
      return "no host is known as '" + request.uri().getHost()
          + "'; check the address of the service";
    }
    if (e instanceof ConnectTimeoutException) {
      return place + " did not accept a connection within " + words(terms.connect())
          + "; check the address and the network";
    }
    if (e instanceof ConnectException) {
      return "nothing accepts connections at " + place
          + "; start the service or correct its address";
    }
    if (e instanceof SSLException) {
      return "no secure connection could be made with " + place + ": " + security(e);
    }
    return brokenReply(e, progress);
  }

  private static String security(Exception e) {
    String reason = String.valueOf(e.getMessage());
    boolean untrusted = reason.contains("PKIX path") || reason.contains("unable to find valid");
    return reason
        + (untrusted
            ? "; if it is the certificate of a test environment, name its PEM file: trust: certificates/test.pem"
            : "");
  }

  private static String brokenReply(Exception e, Progress progress) {
    if (e.getCause() instanceof MessageConstraintException) {
      return headTooLarge();
    }
    if (e instanceof Progress.BodyTooLarge) {
      return e.getMessage() + "; the rest was not read";
    }
    if (e instanceof SilentConnection.TooLong) {
      return "the reply is longer than it says: " + e.getMessage();
    }
    if (e instanceof SilentConnection.Crossed) {
      return "the service closed a kept connection just as the call was sent on it; whether it was heard is not known, so it was not sent again";
    }
    if (e instanceof NoHttpResponseException) {
      return "the service closed the connection without an HTTP reply";
    }
    if (e instanceof MessageConstraintException) {
      return headTooLarge();
    }
    if (e instanceof ZipException) {
      return "the body is not in the content encoding it claims (" + e.getMessage() + "); "
          + progress.received();
    }
    if (e instanceof ConnectionClosedException || e instanceof SocketException) {
      return "the connection broke off (" + e.getMessage() + "); " + progress.received();
    }
    boolean notHttp = e instanceof HttpException || e.getCause() instanceof HttpException;
    String what = notHttp
        ? "what was received is not HTTP"
        : "the exchange failed with " + e.getClass().getSimpleName();
    return what + reason(notHttp && e.getCause() != null ? e.getCause() : e) + "; "
        + progress.received();
  }

  private static String headTooLarge() {
    return "the head of the reply is too large: more than " + SilentConnection.MOST_HEADERS
        + " headers, or a line of more than " + SilentConnection.LONGEST_LINE + " bytes";
  }

  private static String reason(Throwable e) {
    return e.getMessage() == null ? "" : " (" + e.getMessage() + ")";
  }

  private static String words(Duration time) {
    return time.toMillis() % 1000 == 0 ? time.toSeconds() + " s" : time.toMillis() + " ms";
  }
}
