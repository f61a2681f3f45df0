package org.oddlantern.dist.house;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** The rules for values are told, cited and proved by the same numbers. */
class RulesIT {

  private static final Pattern RULE = Pattern.compile("(?m)^(\\d+)\\. \\*\\*.*$");
  private static final Pattern PROOF = Pattern.compile("`(\\w+Test)\\.(\\w+)`");
  private static final Pattern CITED =
      Pattern.compile("(?i)\\brules? ((?:\\d+(?:, | to | and )?)+)");

  @Test
  void eachRuleIsProvedByATestThatIsThere() throws IOException {
    Map<Integer, String> rules = rules();
    assertEquals(IntStream.rangeClosed(1, 25).boxed().toList(), List.copyOf(rules.keySet()));
    List<String> wrong = new ArrayList<>();
    for (Map.Entry<Integer, String> rule : rules.entrySet()) {
      List<MatchResult> proofs = PROOF.matcher(rule.getValue()).results().toList();
      if (proofs.isEmpty()) {
        wrong.add("rule " + rule.getKey() + " has no proof");
      }
      for (MatchResult proof : proofs) {
        if (!isThere(proof.group(1), proof.group(2))) {
          wrong.add("rule " + rule.getKey() + " is proved by " + proof.group() + ", which is gone");
        }
      }
    }
    assertEquals(List.of(), wrong);
  }

  @Test
  void codeCitesNoRuleThatIsNotThere() throws IOException {
    Map<Integer, String> rules = rules();
    List<String> wrong = new ArrayList<>();
    for (Path file : sources("main")) {
      Matcher cited = CITED.matcher(Files.readString(file));
      while (cited.find()) {
        Pattern.compile("\\d+")
            .matcher(cited.group(1))
            .results()
            .map(number -> Integer.valueOf(number.group()))
            .filter(number -> !rules.containsKey(number))
            .forEach(number -> wrong.add(file.getFileName() + " cites rule " + number));
      }
    }
    assertEquals(List.of(), wrong);
  }

  private static Map<Integer, String> rules() throws IOException {
    Map<Integer, String> rules = new TreeMap<>();
    RULE.matcher(Files.readString(Path.of("../docs/rules.md")))
        .results()
        .forEach(rule -> rules.put(Integer.valueOf(rule.group(1)), rule.group()));
    return rules;
  }

  private static boolean isThere(String type, String method) throws IOException {
    for (Path file : sources("test")) {
      if (file.endsWith(type + ".java")) {
        return Files.readString(file).contains(" void " + method + "(");
      }
    }
    return false;
  }

  private static List<Path> sources(String kind) throws IOException {
    try (Stream<Path> files = Files.walk(Path.of("../core/src/" + kind + "/java"))) {
      return files.filter(file -> file.toString().endsWith(".java")).toList();
    }
  }
}
