package org.oddlantern.http.internal;

/**
 * Whom we trust and who we are, over TLS.
 *
 * @param trusted certificates trusted beside those of the JDK, in PEM; empty for none
 * @param any whether any certificate at all is trusted, whatever host it names
 * @param identity who we are
 */
public record Security(String trusted, boolean any, Identity identity) {

  /** The certificates the JDK trusts, and nobody in particular. */
  public static final Security STANDARD = new Security("", false, Identity.NOBODY);

  /** Whether nobody said anything, which is asked at every start. */
  boolean isStandard() {
    return trusted.isEmpty() && !any && identity.isNobody();
  }

  /** This security with certificates trusted beside those of the JDK. */
  public Security trusting(String pem) {
    return new Security(pem, false, identity);
  }

  /** This security with every certificate trusted. */
  public Security trustingAny() {
    return new Security(trusted, true, identity);
  }

  /** This security with a client certificate. */
  public Security as(Identity who) {
    return new Security(trusted, any, who);
  }

  /**
   * A client certificate with its key.
   *
   * @param certificates in PEM; empty if they are in the key store
   * @param key the private key, in PEM as PKCS #8 (RFC 5958); empty if it is in the key store
   * @param keyStore a PKCS #12 file (RFC 7292) in base64; empty if there is none
   * @param password the key store's; may be empty
   */
  public record Identity(String certificates, String key, String keyStore, String password) {

    /** No client certificate. */
    public static final Identity NOBODY = new Identity("", "", "", "");

    private boolean isNobody() {
      return certificates.isEmpty() && key.isEmpty() && keyStore.isEmpty() && password.isEmpty();
    }

    @Override
    public String toString() {
      return isNobody() ? "no client certificate" : "a client certificate";
    }
  }
}
