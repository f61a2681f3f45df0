package org.oddlantern.http.internal;

import java.net.ConnectException;
import java.net.SocketException;
import java.net.UnknownHostException;
import java.time.Duration;
import javax.net.ssl.SSLException;
import org.apache.hc.client5.http.ConnectTimeoutException;
import org.apache.hc.core5.http.ConnectionClosedException;
import org.apache.hc.core5.http.HttpException;
import org.apache.hc.core5.http.NoHttpResponseException;
import org.oddlantern.http.WireRequest;

/** Says in a sentence why an exchange ended without a whole reply. */
final class FaultWords {

  private FaultWords() {}

  static TransportFault fault(
      Exception e, WireRequest request, Duration deadline, Progress progress) {
    return new TransportFault(sentence(e, request, deadline, progress), e);
  }

  private static String sentence(
      Exception e, WireRequest request, Duration deadline, Progress progress) {
    String place = request.uri().getRawAuthority();
    if (progress.isLate()) {
      return "the deadline of " + seconds(deadline) + " is over; " + progress.received();
    }
    if (e instanceof UnknownHostException) {
      return "no host is known as '" + request.uri().getHost()
          + "'; check the address of the service";
    }
    if (e instanceof ConnectTimeoutException) {
      return place + " did not accept a connection within 5 s; check the address and the network";
    }
    if (e instanceof ConnectException) {
      return "nothing accepts connections at " + place
          + "; start the service or correct its address";
    }
    if (e instanceof SSLException) {
      return "no secure connection could be made with " + place + ": " + e.getMessage();
    }
    return brokenReply(e, progress);
  }

  private static String brokenReply(Exception e, Progress progress) {
    if (e instanceof Progress.BodyTooLarge) {
      return e.getMessage() + ", the limit; the rest was not read";
    }
    if (e instanceof NoHttpResponseException) {
      return "the service closed the connection without an HTTP reply";
    }
    if (e instanceof ConnectionClosedException || e instanceof SocketException) {
      return "the connection broke off (" + e.getMessage() + "); " + progress.received();
    }
    String what = e instanceof HttpException || e.getCause() instanceof HttpException
        ? "what came is not HTTP"
        : "the exchange failed with " + e.getClass().getSimpleName();
    return what + " (" + e.getMessage() + "); " + progress.received();
  }

  private static String seconds(Duration time) {
    return time.toMillis() % 1000 == 0 ? time.toSeconds() + " s" : time.toMillis() + " ms";
  }
}
