package org.oddlantern.demo.suites;

import static org.oddlantern.check.Checks.*;

import org.oddlantern.demo.suites.HiveRegisterTest.HiveId;
import org.oddlantern.http.Call;
import org.oddlantern.http.Reply;
import org.oddlantern.http.Service;
import org.oddlantern.payload.Payload;

/**
 * The calls of the register, written once: arguments in, reply out. The same call serves the good path
 * and the refusals, since the status that is wanted is an argument.
 */
record HiveCalls(Service beeyard) {

  Reply register(Payload hive, int wanted) {
    return beeyard
        .send(Call.post("/hives")
            .json(hive)
            .named("register a hive")
            .undoneBy(reply -> Call.delete("/hives/{id}", reply.valueAt("$.id", HiveId.class))))
        .must(status(wanted));
  }

  Reply read(Object id, int wanted) {
    return beeyard.send(Call.get("/hives/{id}", id).named("read a hive")).must(status(wanted));
  }
}
