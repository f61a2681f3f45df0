package org.oddlantern.internal.run;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.RunListener;

@Timeout(60)
class RelayTest {

  private static final int MANY = 5_000;

  private final List<RunEvent> heard = Collections.synchronizedList(new ArrayList<>());

  private static RunEvent small(int number) {
    return new RunEvent.CaseBegan("BeeTest#flies" + number, "BeeTest", "a bee flies", 1);
  }

  @Test
  void aRunGoesOnWhileAnEventIsWrittenButNotFarAhead() throws Exception {
    CountDownLatch open = new CountDownLatch(1);
    RunListener slow = event -> {
      open.await();
      heard.add(event);
    };
    List<RunEvent> told = IntStream.range(0, MANY).mapToObj(RelayTest::small).toList();
    try (Relay relay = new Relay(slow)) {
      relay.hear(told.get(0));
      relay.hear(told.get(1));
      assertEquals(List.of(), heard, "nobody waits for a small event");
      Thread teller = new Thread(() -> told.subList(2, MANY).forEach(one -> {
        try {
          relay.hear(one);
        } catch (Exception e) {
          throw new IllegalStateException(e);
        }
      }));
      teller.start();
      teller.join(200);
      assertTrue(teller.isAlive(), "what waits is bounded");
      open.countDown();
      teller.join();
    }
    assertEquals(told, heard, "all of it, in order, once it is closed");
  }

  @Test
  void whatMustBeOnDiskBeforeACaseGoesOnIsWaitedForEvenByOneThatIsInterrupted() throws Exception {
    try (Relay relay = new Relay(event -> {
      Thread.sleep(20);
      heard.add(event);
    })) {
      relay.hear(small(1));
      Thread.currentThread().interrupt();
      relay.hear(new RunEvent.UndoNoted("BeeTest#flies1", "DELETE /bees/1"));
      assertEquals(2, heard.size());
      assertTrue(Thread.interrupted(), "it is still interrupted");
    }
  }

  @Test
  void aCaseThatBeganIsHeardOfThoughNothingFollows() throws Exception {
    CountDownLatch told = new CountDownLatch(1);
    try (Relay relay = new Relay(event -> told.countDown())) {
      Thread.sleep(10); // so that it is idle
      relay.hear(small(1));
      assertTrue(told.await(20, TimeUnit.SECONDS), "a run that is killed now has it on disk");
    }
  }

  @Test
  void whatTheListenerThrowsIsThrownAtTheNextEventOrAtTheLast() throws Exception {
    IOException full = new IOException("File too large");
    try (Relay relay = new Relay(event -> {
      throw full;
    })) {
      relay.hear(small(1));
      RunEvent last = new RunEvent.ProblemFound("something was left behind");
      assertSame(full, assertThrows(IOException.class, () -> relay.hear(last)));
    }
    try (Relay relay = new Relay(event -> {
      throw new StackOverflowError();
    })) {
      assertThrows(
          StackOverflowError.class, () -> relay.hear(new RunEvent.ProblemFound("a problem")));
    }
  }
}
