package org.oddlantern.internal.run;

import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.internal.Answering;
import org.oddlantern.http.internal.Undo;
import org.oddlantern.internal.plan.Binding;
import org.oddlantern.internal.plan.BoundMethod;
import org.oddlantern.internal.plan.CaseDefinition;
import org.oddlantern.internal.plan.CaseId;
import org.oddlantern.internal.plan.Maker;
import org.oddlantern.internal.plan.SupplyDefinition;
import org.oddlantern.internal.plan.ValueParameter;
import org.oddlantern.internal.record.Outcome;

/**
 * One attempt of a case, or one making of a shared supply: gets every value it takes, with one of its own
 * from each supply that is not shared, and owns what that made (rules 6 to 8).
 */
final class Asker {

  private final Workshop workshop;
  private final Handed handed;
  private final Entries entries;
  private final Lane lane;
  private final String attempt;
  private final CaseId who;
  private final int order;
  private final Belongings belongings;
  private final Map<Maker, Object> own = new HashMap<>();
  private final Map<Maker, Belonging.Life> lives = new HashMap<>();
  private @Nullable Attempt failure;

  /**
   * An asker.
   *
   * @param workshop what all work with
   * @param handed the values that were handed on
   * @param entries tells of supplies
   * @param lane where it works
   * @param who who asks
   * @param order its order number
   * @param attempt which attempt it is, from the second on; else empty
   * @param belongings takes what is made
   */
  Asker(
      Workshop workshop,
      Handed handed,
      Entries entries,
      Lane lane,
      CaseId who,
      int order,
      String attempt,
      Belongings belongings) {
    this.workshop = workshop;
    this.handed = handed;
    this.entries = entries;
    this.lane = lane;
    this.who = who;
    this.order = order;
    this.attempt = attempt;
    this.belongings = belongings;
  }

  /** Gets every value that a recipe takes; false if a supply failed, which then is the failure. */
  boolean gathers(BoundMethod bound, TakenValues values) {
    for (Map.Entry<ValueParameter, Binding> entry : bound.bindings().entrySet()) {
      Object value = value(entry.getValue());
      if (value == null) {
        return false;
      }
      values.put(entry.getKey(), value);
    }
    return true;
  }

  /** Why it has not all it takes. */
  Attempt failure() {
    return failure == null ? Attempt.blocked("what it takes is not there") : failure;
  }

  /** The work of a case, whose undos belong to the value it hands on. */
  Work work(CaseDefinition one, String whose, Answering answering) {
    return work(one.id(), one.suite(), one.environment(), whose, answering, belongings.life());
  }

  /** A piece of work of this asker whose undos belong to the value it makes. */
  private Work work(
      CaseId id,
      Class<?> suite,
      String environment,
      String whose,
      Answering answering,
      Belonging.Life life) {
    return new Work(
        workshop,
        id.toString(),
        id.brief(),
        suite,
        environment,
        whose,
        answering,
        undo -> note(id, undo, life));
  }

  /** Calls a method with what is bound to its parameters; the instances it is called on are closed when this asker ends. */
  Callable<@Nullable Object> call(BoundMethod bound, Work work, TakenValues values) {
    Maker maker = bound.maker();
    Instances instances =
        new Instances((type, asker) -> values.value(type, asker, work), instance -> {
          if (instance instanceof AutoCloseable closeable) {
            belongings.addAlways(new CloseDeed(who.toString(), maker.environment(), closeable));
          }
        });
    return () -> instances.call(maker.suite(), maker.method());
  }

  /**
   * Makes what a supply makes, once it has all it takes.
   *
   * @param bound how the supply is called
   * @param life the life of what it makes
   * @param whose for whom; empty if for all
   * @param apart what sets its fresh values apart from others of the same supply
   * @return what came of it
   */
  Attempt supply(BoundMethod bound, Belonging.Life life, String whose, String apart) {
    TakenValues values = new TakenValues();
    if (!gathers(bound, values)) {
      return failure();
    }
    SupplyDefinition supply = (SupplyDefinition) bound.maker();
    Work work =
        work(supply.id(), supply.suite(), supply.environment(), apart, Answering.LIVE, life);
    Attempt made =
        entries.supplying(supply, work, order, whose).done(lane, call(bound, work, values));
    if (made.value() != null) {
      keep(bound, made.value(), life);
    }
    return made;
  }

  /** Sees to it that a value is put back. */
  void keep(BoundMethod bound, Object value, Belonging.Life life) {
    BoundMethod.Cleanup tidyUp = bound.tidyUp();
    if (tidyUp != null) {
      workshop.note(who, TidyUpDeed.words(tidyUp));
      TakenValues values = new TakenValues();
      tidyUp.bindings().forEach((parameter, source) -> {
        Object given = handed.value(source);
        if (given != null) {
          values.put(parameter, given);
        }
      });
      belongings.add(
          life, new TidyUpDeed(who.toString(), bound.maker().environment(), tidyUp, value, values));
    } else if (value instanceof AutoCloseable closeable) {
      belongings.add(life, new CloseDeed(who.toString(), bound.maker().environment(), closeable));
    }
  }

  /** A case that passed has used up values that were made for it alone. */
  void useUp(BoundMethod bound) {
    bound.bindings().forEach((parameter, source) -> {
      if (parameter.use() == ValueParameter.Use.USES_UP
          && source instanceof Binding.Supplied supplied) {
        Belonging.Life life = lives.get(supplied.bound().maker());
        if (life != null) {
          life.useUp();
        }
      }
    });
  }

  private void note(CaseId id, Undo undo, Belonging.Life life) {
    UndoDeed deed = new UndoDeed(id.toString(), undo);
    if (undo.outlivesRun()) {
      belongings.add(life, deed);
    } else {
      belongings.addAlways(deed);
    }
  }

  private @Nullable Object value(Binding source) {
    return source instanceof Binding.Supplied supplied
        ? supplied(supplied.bound())
        : handed.value(source);
  }

  private @Nullable Object supplied(BoundMethod bound) {
    Object known = own.get(bound.maker());
    return known == null && failure == null ? made(bound) : known;
  }

  private @Nullable Object made(BoundMethod bound) {
    Belonging.Life life = new Belonging.Life();
    Attempt made = supply(bound, life, who.toString(), " for " + who + attempt);
    Object value = made.value();
    if (value != null) {
      own.put(bound.maker(), value);
      lives.put(bound.maker(), life);
    } else if (failure == null) {
      failure = made.outcome() == Outcome.INTERRUPTED
          ? made
          : Attempt.blocked(Handed.cause(bound.maker(), made));
    }
    return value;
  }
}
