package org.example.apiary

import com.fasterxml.jackson.annotation.JsonProperty
import com.fasterxml.jackson.databind.ObjectMapper
import java.time.Duration
import org.oddlantern.check.Checks.*
import org.oddlantern.http.Call
import org.oddlantern.http.Service
import org.oddlantern.json.Key
import org.oddlantern.program.Program
import org.oddlantern.standin.Answer
import org.oddlantern.standin.Observed
import org.oddlantern.standin.StandIn
import org.oddlantern.suite.Case
import org.oddlantern.suite.Samples
import org.oddlantern.suite.Supply

/** Data classes are sent and read, as records are. */
class HiveTest(running: Running) {

  data class Hive(val label: String, @JsonProperty("frame_count") val frames: Int, val queen: String? = null)

  @Key @JvmRecord data class HiveId(val value: Int)

  data class Kind(val name: String, val frames: Int)

  class Running(val apiary: Apiary) : AutoCloseable {
    override fun close() = apiary.close()

    companion object {
      @JvmStatic
      @Supply(value = "the apiary, started", shared = true)
      fun start() = Running(Apiary())
    }
  }

  private val apiary = Service.reachedAt(running.apiary.address)

  @Case("a hive is kept as it was sent")
  fun keep(): HiveId =
    apiary.send(Call.post("/hives").json(Hive("Ada", 10)))
      .must(status(201), body(including(mapOf("label" to "Ada", "frame_count" to 10))))
      .valueAt("$.id", HiveId::class.java)

  @Case("it is read as it was sent")
  fun read(id: HiveId) {
    val reply = apiary.send(Call.get("/hives/{id}", id)).must(status(200), at("$.queen", null))
    val hive = reply.json().at("$").get()
    if (Hive(hive.at("$.label").get().text(), hive.at("$.frame_count").get().number().toInt()) != Hive("Ada", 10)) {
      throw AssertionError("another hive: $hive")
    }
  }

  @Case("a hive for {name} is told by its data class")
  fun kinds(kind: Kind) {
    apiary.send(Call.post("/hives").json(kind)).must(status(201), at("$.name", kind.name), at("$.frames", kind.frames))
  }

  @Case("Jackson 2.19 of the project writes and reads")
  fun byItsOwnMapper() {
    val same = apiary.mapper(ObjectMapper())
    same.send(Call.post("/hives").json(mapOf("label" to "Eva", "plot" to HiveId(7)))).must(status(201), at("$.plot", 7))
    // by itself that Jackson does not see what stands at the parameters of Kotlin's constructors
    same.send(Call.post("/hives").json(Hive("Eva", 3))).must(at("$.frames", 3))
  }

  @Case("a neighbour is stood in for, and a program says something")
  fun neighbours() {
    StandIn.open().use { weather ->
      weather.answering("GET /forecast/{place}") { asked -> Answer.of(200).json(mapOf("at" to asked.argument("place"))) }
      weather.meanwhile("GET /forecast/fen", Answer.inTurn(Answer.of(503), Answer.of(200)))
      val service = Service.reachedAt(weather.url())
      service.send(Call.get("/forecast/moor")).must(status(200), at("$.at", "moor"))
      service.sendAtOnce(2) { Call.get("/forecast/fen") }.must(at("$[*].status", items(503, 200).inAnyOrder()))
      weather.asked("GET /forecast/{place}").must(size(3), at("$[0].arguments.place", "moor"))
    }
    Program.of("sh", "-c", "echo hello; sleep 10").startedUntilSaying("hello", Duration.ofSeconds(10)).use {
      Observed.of("what it says", it.lastLines()).must(items("hello"))
    }
  }

  companion object {
    @JvmStatic
    @Samples
    fun allKinds() = listOf(Kind("straw", 0), Kind("stack", 10))
  }
}
