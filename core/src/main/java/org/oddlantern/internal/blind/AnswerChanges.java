package org.oddlantern.internal.blind;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.http.internal.WireReply;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;

/** All ways in which one answer can be changed, in the order of its places. */
final class AnswerChanges {

  private AnswerChanges() {}

  /** Those of what is no reply: rows, what a stand-in was asked, anything that was looked at. */
  static List<Change> ofTree(JsonNode tree, SeenValues seen, boolean row) {
    List<Change> changes = new ArrayList<>();
    Spot whole = null;
    if (row && tree.isObject()) {
      whole = new Spot("$", null, true, null);
      changes.add(
          new Change(whole, ChangeKind.NO_BODY, () -> JsonNodeFactory.instance.arrayNode()));
    }
    changes.addAll(TreeSpots.changes(tree, seen, whole, other -> other));
    return changes;
  }

  static List<Change> ofReply(WireReply reply, SeenValues seen, Set<String> lookedAt) {
    List<Change> changes = new ArrayList<>(status(reply));
    changes.addAll(new HeaderChanges(reply, lookedAt).all());
    if (reply.body().length > 0) {
      JsonNode json = ReplyBody.json(reply.headers(), reply.body());
      Spot body = new Spot(json == null ? "body" : "$", null, true, null);
      changes.add(new Change(body, ChangeKind.NO_BODY, () -> with(reply, new byte[0])));
      if (json != null) {
        changes.addAll(TreeSpots.changes(json, seen, body, tree -> with(reply, tree)));
      } else {
        changes.addAll(text(reply, body));
      }
    }
    return changes;
  }

  private static List<Change> text(WireReply reply, Spot body) {
    String text = ReplyBody.text(reply);
    if (text == null) {
      return List.of(new Change(
          Spot.plain("body", body),
          ChangeKind.OTHER_TEXT,
          () -> with(reply, otherBytes(reply.body()))));
    }
    List<Change> inXml = XmlSpots.changes(text, body, other -> with(reply, bytes(other)));
    if (!inXml.isEmpty()) {
      return inXml;
    }
    Spot whole = Spot.plain("body", body);
    return List.of(
        new Change(whole, ChangeKind.OTHER_TEXT, () -> with(reply, bytes(OtherText.of(text)))));
  }

  private static byte[] otherBytes(byte[] bytes) {
    byte[] other = bytes.clone();
    other[other.length - 1] ^= 1;
    return other;
  }

  private static byte[] bytes(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }

  /** A reply whose JSON is written anew; null if that is the same, but for white space. */
  static @Nullable WireReply rewritten(WireReply reply, JsonNode tree) {
    WireReply written = with(reply, tree);
    return dense(reply.body()).equals(dense(written.body())) ? null : written;
  }

  /** Without white space outside of texts. */
  private static String dense(byte[] body) {
    StringBuilder dense = new StringBuilder(body.length);
    boolean text = false;
    boolean escaped = false;
    for (char one : new String(body, StandardCharsets.UTF_8).toCharArray()) {
      text ^= one == '"' && !escaped;
      escaped = text && one == '\\' && !escaped;
      if (text || one > ' ') {
        dense.append(one);
      }
    }
    return dense.toString();
  }

  private static WireReply with(WireReply reply, JsonNode tree) {
    return with(reply, bytes(JsonMapping.standard().write(tree)));
  }

  private static WireReply with(WireReply reply, byte[] body) {
    return new WireReply(reply.status(), reply.reason(), reply.headers(), body);
  }

  private static List<Change> status(WireReply reply) {
    Spot spot = Spot.plain("status", null);
    int status = reply.status();
    boolean refusal = status >= 400;
    return List.of(
        new Change(
            spot,
            refusal ? ChangeKind.SUCCESS : ChangeKind.FAILURE,
            () -> with(reply, refusal ? 200 : 500)),
        new Change(spot, ChangeKind.OTHER_STATUS, () -> with(reply, near(status))));
  }

  private static WireReply with(WireReply reply, int status) {
    return new WireReply(status, "", reply.headers(), reply.body());
  }

  /** Another status of its class (RFC 9110, section 15). */
  private static int near(int status) {
    return switch (status) {
      case 200 -> 202;
      case 301 -> 302;
      case 302, 307, 308 -> 303;
      case 401 -> 403;
      case 403, 410 -> 404;
      case 404 -> 410;
      case 400 -> 422;
      case 500 -> 503;
      default -> status < 300 ? 200 : status < 400 ? 302 : status < 500 ? 400 : 500;
    };
  }
}
