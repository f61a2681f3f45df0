package org.oddlantern.json.internal;

import java.util.function.Consumer;
import org.oddlantern.json.JsonCodec;
import org.oddlantern.json.Secret;

/** A codec that can tell somebody of every {@link Secret} inside the values that it writes and reads. */
public interface HearingCodec extends JsonCodec {

  /**
   * The same codec with somebody who hears of secrets.
   *
   * @param listener hears the text of each secret
   * @return the codec
   */
  JsonCodec hearing(Consumer<String> listener);
}
