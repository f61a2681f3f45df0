package org.example.apiary;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;

@SpringBootApplication
public class Apiary {

  public static void main(String[] arguments) {
    SpringApplication.run(Apiary.class, arguments);
  }
}
