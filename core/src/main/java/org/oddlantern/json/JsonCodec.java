package org.oddlantern.json;

/**
 * How values of a project become JSON (RFC 8259) and JSON becomes values, where that is not as this library
 * does it: what {@code Service.mapper} takes if the project's mapper is not known by itself.
 *
 * <pre>{@code
 * Service beeyard = service.mapper(new JsonCodec() {
 *     public String write(Object value) { return binding.toText(value); }
 *     public <T> T read(String json, Class<T> type) { return binding.fromText(json, type); }
 * });
 * }</pre>
 *
 * <p>Implementations are safe to use from several threads.
 */
public interface JsonCodec {

  /**
   * Writes a value.
   *
   * @param value a value of the project; never null
   * @return one JSON document
   * @throws Exception if it cannot be written; its message is shown
   */
  String write(Object value) throws Exception;

  /**
   * Reads a value.
   *
   * @param <T> the type wanted
   * @param json one JSON document
   * @param type the type wanted
   * @return the value; null only where the document is JSON's null
   * @throws Exception if the document does not fit the type; its message is shown
   */
  <T> T read(String json, Class<T> type) throws Exception;
}
