package org.oddlantern.check;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.evidence.Headers;
import org.oddlantern.evidence.internal.AgreedForm;
import org.oddlantern.evidence.internal.MappedCheck;
import org.oddlantern.evidence.internal.NotWhatItClaims;
import org.oddlantern.internal.AgreedReplies;
import org.oddlantern.internal.AgreedReplies.State;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.internal.Needed;
import org.oddlantern.internal.Resources;
import org.oddlantern.json.Finding;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.json.internal.Trees;
import org.oddlantern.json.internal.Words;
import org.oddlantern.json.internal.path.TreePath;
import org.oddlantern.xml.NotXml;

/** What {@link Agreed} promises. */
record AgreedCheck(String name, List<OpenPlace> open) implements Agreed, MappedCheck {

  @Override
  public Agreed but(String path, @Nullable Object shape) {
    Needed.of(path, "but(path, shape): path");
    List<OpenPlace> more = new ArrayList<>(open);
    more.add(new OpenPlace(TreePath.of(path), NodeShape.of(shape)));
    return new AgreedCheck(name, List.copyOf(more));
  }

  @Override
  public Check by(JsonMapping mapping) {
    return new AgreedCheck(name, open.stream().map(one -> one.by(mapping)).toList());
  }

  @Override
  public String words() {
    StringBuilder words = new StringBuilder("asAgreed(");
    words.append(name.isEmpty() ? "" : Words.quoted(name)).append(')');
    open.forEach(one -> words.append(one.words()));
    return Words.cut(words.toString());
  }

  @Override
  public List<Finding> examine(Evidence evidence) {
    evidence.lookedAt("$");
    Optional<AgreedReplies> replies = CurrentCase.part(AgreedReplies.class);
    if (replies.isEmpty()) {
      return List.of(Finding.of(
          "body",
          "a reply of a case, for which something may be agreed on",
          "code that belongs to no case"));
    }
    return new Asking(evidence, replies.get()).asked();
  }

  @Override
  public String subject() {
    return "at $";
  }

  /** One reply that is held against its file. */
  private final class Asking {
    private final Evidence evidence;
    private final AgreedReplies replies;
    private final AgreedForm form;
    private final String place;
    private final String file;

    Asking(Evidence evidence, AgreedReplies replies) {
      this.evidence = evidence;
      this.replies = replies;
      this.form = AgreedForm.of(evidence);
      this.place = replies.place(name);
      this.file = place + form.ending();
    }

    List<Finding> asked() {
      boolean again = CurrentCase.part(Tries.class).isPresent();
      if (replies.isTaken(place, whose(), again)) {
        return List.of(Finding.of(
                "body",
                "one reply for each name",
                "another reply of this case has asked for " + place + " before")
            .hint("name this one: asAgreed(\"after the change\")"));
      }
      if (form != AgreedForm.JSON && !open.isEmpty()) {
        return List.of(
            Finding.of("body", "JSON, since but(...) takes paths into JSON", evidence.summary()));
      }
      try {
        return asked(came());
      } catch (NotJson e) {
        return List.of(NotWhatItClaims.json(evidence, e, "a JSON body"));
      } catch (NotXml e) {
        return List.of(NotWhatItClaims.xml(evidence, e, "an XML body"));
      }
    }

    /** A reply is looked at by way of several objects, which share its headers. */
    private Object whose() {
      Headers headers = evidence.headers();
      return headers.fields().isEmpty() ? evidence : headers;
    }

    private List<Finding> asked(String came) {
      Optional<byte[]> agreed = Resources.current().find(file);
      if (agreed.isEmpty()) {
        note(State.NEW, came);
        return List.of(nothing(came));
      }
      List<Finding> findings = differences(new String(agreed.get(), StandardCharsets.UTF_8), came);
      note(findings.isEmpty() ? State.SAME : State.DIFFERS, came);
      return findings;
    }

    private void note(State state, String came) {
      replies.note(file, state, open.stream().map(one -> one.path().toString()).toList(), came);
    }

    /** What would be agreed on. */
    private String came() {
      String type = AgreedForm.type(evidence);
      return switch (form) {
        case JSON ->
          Trees.of(evidence.json()).isMissingNode() ? "" : replies.masked(type, evidence.text());
        case XML -> {
          evidence.xml();
          yield replies.masked(type, evidence.text());
        }
        case TEXT -> replies.masked(type, evidence.text());
        case BYTES -> AgreedForm.digest(evidence);
      };
    }

    private Finding nothing(String came) {
      Finding finding = Finding.of(
          "body",
          "as agreed on in " + file,
          "nothing is agreed on yet; this was received: " + Words.cut(came.strip()));
      String other = Stream.of(AgreedForm.values())
          .filter(one -> one != form)
          .filter(one -> Resources.current().find(place + one.ending()).isPresent())
          .map(one -> "what is agreed on is " + one.words() + ", in "
              + Path.of(place + one.ending()).getFileName() + "; this is " + form.words())
          .findFirst()
          .orElse("");
      return finding.hint(other).hint("'odd-lantern agree' shows it and writes the file");
    }

    /** Places that are open are asked by their shapes, of what was received as it is. */
    private List<Finding> differences(String agreed, String came) {
      List<Finding> findings = new ArrayList<>();
      try {
        for (OpenPlace one : open) {
          findings.addAll(one.findings(Trees.of(evidence.json())));
        }
        findings.addAll(
            form.differences(agreed, came, open.stream().map(OpenPlace::path).toList()));
        return findings;
      } catch (NotJson e) {
        return broken(e.getMessage() + ", in line " + e.line() + ", column " + e.column());
      } catch (NotXml e) {
        return broken(String.valueOf(e.getMessage()));
      }
    }

    private List<Finding> broken(String reason) {
      return List.of(
          Finding.of("the file " + file, "what was agreed on, as " + form.words(), reason));
    }
  }
}
