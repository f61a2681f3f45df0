package org.example.apiary;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonProperty;
import java.math.BigDecimal;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.server.ResponseStatusException;

@RestController
public class HiveController {

  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record Sheet(Long id, String queenName, @JsonProperty("kg") BigDecimal weight) {}

  private final Hives hives;

  HiveController(Hives hives) {
    this.hives = hives;
  }

  @PostMapping("/hives")
  @ResponseStatus(HttpStatus.CREATED)
  Sheet keep(@RequestBody Sheet sheet) {
    Hive hive = hives.save(new Hive(sheet.queenName()));
    return new Sheet(hive.getId(), hive.getQueenName(), sheet.weight());
  }

  @GetMapping("/hives/{id}")
  Sheet show(@PathVariable("id") long id) {
    return hives.findById(id)
        .map(hive -> new Sheet(hive.getId(), hive.getQueenName(), null))
        .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
  }
}
