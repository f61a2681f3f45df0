package org.oddlantern.config;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.oddlantern.config.internal.Settings;
import org.oddlantern.config.internal.SettingsEnvironment;
import org.oddlantern.config.internal.SettingsFile;
import org.oddlantern.http.internal.Surroundings;

class SettingsTest {

  private static final String GOOD = """
      environment: local
      environments:
        local:
          services: { beeyard: { url: "http://127.0.0.1:7411/api", timeout: 500ms } }
        staging:
          services:
            beeyard: { url: "https://beeyard.example.org", bearer: "${BEEYARD_TOKEN}", headers: { X-Keeper: wren } }
      mask: [ "X-Keeper", "$.password" ]
      """;

  @TempDir
  Path folder;

  @Test
  void areFoundUpwardsToTheBuildsRootThenOnTheClassPath() throws IOException {
    Path deep = Files.createDirectories(folder.resolve("root/module/deep"));
    Files.createDirectories(folder.resolve("root/.git"));
    Files.writeString(folder.resolve(Settings.FILE), "environment: beyond-the-root");
    assertEquals("", settings(deep).use());
    Files.writeString(folder.resolve("root").resolve(Settings.FILE), GOOD);
    assertEquals("local", settings(deep).use());
    assertEquals(folder.resolve("root"), settings(deep).folder());
  }

  @Test
  void chooseTheEnvironmentInUseUnlessAnotherIsNamed() throws IOException {
    Settings settings = read(GOOD);
    assertEquals("local", settings.environment(null).name());
    assertEquals("staging", settings.environment("staging").name());
    assertEquals(
        "there is no environment 'stagging' in " + file()
            + "; it has local, staging (did you mean 'staging'?)",
        problem(() -> settings.environment("stagging")));
    assertEquals(
        file()
            + " does not say which environment to use: add 'environment: NAME' at the top, or choose with --env (there are a, b)",
        problem(() -> read("environments: { a: {}, b: {} }").environment(null)));
    assertEquals("none", read("mask: [X-Key]").environment(null).name());
  }

  @Test
  void sayOnceWhatHoldsOfAServiceEverywhere() throws IOException {
    Settings settings = read("""
        services: { beeyard: { timeout: 7s, bearer: everywhere, headers: { X-Plot: b } } }
        environments:
          local: { services: { beeyard: { url: "http://127.0.0.1:1" } } }
          staging: { services: { beeyard: { url: "http://127.0.0.1:2", timeout: 9s, basic: { user: wren, password: "" } } } }
        """);
    assertEquals(
        List.of("timeout=7s", "bearer=***", "headers.X-Plot=b", "url=http://127.0.0.1:1"),
        inForce(settings, "local"));
    assertEquals(
        List.of(
            "headers.X-Plot=b",
            "url=http://127.0.0.1:2",
            "timeout=9s",
            "basic.user=wren",
            "basic.password=***"),
        inForce(settings, "staging"));
    environment(settings, "staging").service("beeyard");
    assertEquals(
        file()
            + ", line 1: no environment has the service 'beeyrad'; there are beeyard (did you mean 'beeyard'?)",
        problem(
            () -> read(
                "services: { beeyrad: { timeout: 1s } }\nenvironments: { a: { services: { beeyard: { url: \"http://h\" } } } }")));
    assertEquals(
        file()
            + ", line 1: the address of the service 'beeyard' depends on the environment; say it there, and here what holds everywhere",
        problem(() -> read("services: { beeyard: { url: \"http://h\" } }")));
  }

  private static List<String> inForce(Settings settings, String environment) {
    return settings.inForce(environment, Map.of()).stream()
        .map(one -> one.key().replace("services.beeyard.", "") + "=" + one.value())
        .toList();
  }

  @Test
  void resolveVariablesOnlyInTheEnvironmentInUse() throws IOException {
    Settings settings = read(GOOD);
    assertEquals("local", environment(settings, "local").name());
    environment(settings, "local").service("beeyard");
    assertEquals(
        file()
            + ", line 7: the environment variable BEEYARD_TOKEN is not set; set it, or choose another environment with --env",
        problem(() -> environment(settings, "staging").service("beeyard")));
    assertEquals(
        "the environment 'local' in " + file()
            + " has no service 'beyard'; it has beeyard (did you mean 'beeyard'?)",
        problem(() -> environment(settings, "local").service("beyard")));
  }

  @Test
  void printTheLinesToPasteWhereThereAreNone() {
    assertEquals("""
        the service 'beeyard' is asked for, but no odd-lantern.yaml was found; put one beside the build file:
          environment: local
          environments:
            local:
              services:
                beeyard: { url: "http://127.0.0.1:7411/api" }
        """, problem(() -> environment(Settings.NONE, null).service("beeyard")));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "enviroments: {} | , line 1: unknown key 'enviroments' in the settings; did you mean 'environments'? known are environment, services, environments, mask, schemas, history, promises, unwatched",
        "environments: { local: { services: { b: { ulr: x } } } } | , line 1: unknown key 'ulr' in the service 'b'; did you mean 'url'? known are url, timeout, connectTimeout, bodyLimit, redirects, bearer, trust, proxy, caseHeader, trace, traces, log, basic, keyInHeader, keyInQuery, signIn, clientCredentials, clientCertificate, ready, description, headers",
        "environments: { local: { services: { b: { readTimeout: 3s } } } } | , line 1: unknown key 'readTimeout' in the service 'b'; it is called timeout; known are url, timeout, connectTimeout, bodyLimit, redirects, bearer, trust, proxy, caseHeader, trace, traces, log, basic, keyInHeader, keyInQuery, signIn, clientCredentials, clientCertificate, ready, description, headers",
        "environments: { local: { services: { b: { colour: x } } } } | , line 1: unknown key 'colour' in the service 'b'; known are url, timeout, connectTimeout, bodyLimit, redirects, bearer, trust, proxy, caseHeader, trace, traces, log, basic, keyInHeader, keyInQuery, signIn, clientCredentials, clientCertificate, ready, description, headers",
        "env: a | , line 1: unknown key 'env' in the settings; it is called environment; known are environment, services, environments, mask, schemas, history, promises, unwatched",
        "environments: { local: { services: { b: { timeout: 3s } } } } | , line 1: the service 'b' has no address: add url: \"http://...\"",
        "environments: { local: { services: { b: { url: x, timeout: soon } } } } | , line 1: 'timeout' is 'soon'; write it like 3s, 500ms or 1m",
        "environments: [ a ] | , line 1: 'environments' must be a mapping of names to values",
        "mask: password | , line 1: 'mask' must be a list",
        "schemas: { draft: 5 } | , line 1: 'draft' must be 4, 6, 7, 2019-09 or 2020-12, not '5'",
        "schemas: { formats: on } | , line 1: 'formats' must be assert or annotate, not 'on'",
        "schemas: { host: [a] } | , line 1: unknown key 'host' in 'schemas'; did you mean 'hosts'? known are hosts, formats, draft",
        "`environment: a\nenvironment: b` | , line 2: the key 'environment' occurs twice in the settings",
        "`a: b\n c: [` | , line 2, column 3: this is not YAML: mapping values are not allowed here",
        "`mask: [\"$.a[\"]` | `, line 1: the path cannot be read: wanted a quoted name, an index, a slice, '*' or a filter that begins with '?' at character 5\n  $.a[\n      ^`",
      })
  void sayInWhichLineTheyAreWrong(String text, String message) {
    assertEquals(file() + message, problem(() -> read(text)));
  }

  private Path file() {
    return folder.resolve(Settings.FILE);
  }

  private Settings read(String text) throws IOException {
    Files.writeString(file(), text);
    return settings(folder);
  }

  private static Settings settings(Path start) {
    return SettingsFile.find(start, ClassLoader.getPlatformClassLoader());
  }

  private static Environment environment(Settings settings, String name) {
    return new SettingsEnvironment(
        settings, settings.environment(name), Map.of(), Surroundings.alone());
  }

  private static String problem(Throwing action) {
    return assertThrows(SettingsProblem.class, action::run).getMessage();
  }

  /** Something that may fail. */
  private interface Throwing {
    void run() throws Exception;
  }
}
