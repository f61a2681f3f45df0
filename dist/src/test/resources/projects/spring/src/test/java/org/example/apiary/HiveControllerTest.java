package org.example.apiary;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.springframework.web.server.ResponseStatusException;

/** A test of the project's own, beside a suite. */
class HiveControllerTest {

  @Test
  void whatIsNotThereIsNotFound() {
    Hives hives = mock(Hives.class);
    when(hives.findById(any())).thenReturn(Optional.empty());
    ResponseStatusException e = assertThrows(
        ResponseStatusException.class, () -> new HiveController(hives).show(1));
    assertEquals(404, e.getStatusCode().value());
  }
}
