package org.example.apiary;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.Id;

@Entity
public class Hive {

  @Id
  @GeneratedValue
  private Long id;

  private String queenName;

  public Hive() {}

  public Hive(String queenName) {
    this.queenName = queenName;
  }

  public Long getId() {
    return id;
  }

  public String getQueenName() {
    return queenName;
  }
}
