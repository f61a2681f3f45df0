package org.example.apiary

import org.oddlantern.suite.Case
import org.oddlantern.suite.Supply

@JvmInline value class Weight(val grams: Int)

class WrongSuite {
  class Queen

  @Case("nobody can call it") suspend fun suspended() {}

  @Case("it takes what is not there at run time") fun weighed(weight: Weight) {}

  @Case("it takes what only its companion makes") fun crowned(queen: Queen) {}

  companion object {
    @Supply("a queen") fun queen() = Queen()
  }
}
