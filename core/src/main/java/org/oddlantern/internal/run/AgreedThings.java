package org.oddlantern.internal.run;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.oddlantern.internal.AgreedReplies;
import org.oddlantern.internal.mask.Masker;
import org.oddlantern.internal.record.AgreedRecord;
import org.oddlantern.internal.record.Octets;

/** The replies of an attempt that are held against what was agreed on. Thread-safe. */
final class AgreedThings implements AgreedReplies {

  private static final Pattern ID =
      Pattern.compile("([^#]*)#([^@\\[]*)(?:@[^\\[]*)?(?:\\[(.*)])?.*", Pattern.DOTALL);
  private static final int LONGEST = 60;

  private final String id;
  private final Masker masker;
  private final Map<String, Object> askers = new HashMap<>();
  private final Map<String, AgreedRecord> records = new LinkedHashMap<>();

  AgreedThings(String id, Masker masker) {
    this.id = id;
    this.masker = masker;
  }

  /** A name that every file system takes; two that are different stay different. */
  private static String plain(String name) {
    String blank = name.strip().replace(' ', '-');
    String plain = blank.replaceAll("[^\\p{L}\\p{N}_-]", "_");
    return plain.equals(blank) && plain.length() <= LONGEST
        ? plain
        : plain.substring(0, Math.min(plain.length(), LONGEST))
            + String.format(Locale.ROOT, "-%08x", name.hashCode());
  }

  @Override
  public String place(String name) {
    Matcher parts = ID.matcher(id);
    boolean known = parts.matches();
    String suite = known ? parts.group(1) : id;
    String sample = known && parts.group(3) != null ? parts.group(3) : "";
    String method = (known ? parts.group(2) : "") + (sample.isEmpty() ? "" : "-" + plain(sample));
    return "agreed/" + suite.replace('$', '/') + "/" + method
        + (name.isEmpty() ? "" : "." + plain(name));
  }

  @Override
  public synchronized boolean isTaken(String place, Object reply, boolean again) {
    Object before = askers.put(place, reply);
    return before != null && before != reply && !again;
  }

  @Override
  public String masked(String contentType, String body) {
    return masker.body(contentType, body, new ArrayList<>());
  }

  @Override
  public synchronized void note(String file, State state, List<String> open, String came) {
    Octets octets = state == State.SAME ? null : Octets.of(came.getBytes(StandardCharsets.UTF_8));
    records.put(file, new AgreedRecord(file, state, open, null, octets));
  }

  synchronized List<AgreedRecord> records() {
    return List.copyOf(records.values());
  }
}
