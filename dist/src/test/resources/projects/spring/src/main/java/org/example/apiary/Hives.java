package org.example.apiary;

import org.springframework.data.jpa.repository.JpaRepository;

public interface Hives extends JpaRepository<Hive, Long> {}
