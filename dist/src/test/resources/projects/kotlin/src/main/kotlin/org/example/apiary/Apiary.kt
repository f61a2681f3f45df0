package org.example.apiary

import com.fasterxml.jackson.databind.JsonNode
import com.fasterxml.jackson.databind.ObjectMapper
import com.fasterxml.jackson.databind.node.ObjectNode
import io.javalin.Javalin

class Apiary : AutoCloseable {
  private val hives = mutableListOf<ObjectNode>()
  private val mapper = ObjectMapper()
  private val server = Javalin.create { it.showJavalinBanner = false }
    .post("/hives") { call ->
      val hive = mapper.readTree(call.body()) as ObjectNode
      hives.add(hive.put("id", hives.size + 1))
      call.status(201).contentType("application/json").result(hive.toString())
    }
    .get("/hives/{id}") { call ->
      val hive: JsonNode = hives[call.pathParam("id").toInt() - 1]
      call.contentType("application/json").result(hive.toString())
    }
    .start(0)

  val address get() = "http://localhost:${server.port()}"

  override fun close() {
    server.stop()
  }
}
