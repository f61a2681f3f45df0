package org.oddlantern.cli;

/** A pipeline that runs the suites at each change and keeps the report, for a build server. */
enum Pipeline {
  GITHUB(".github/workflows/api-tests.yml", """
      name: api tests
      on: [push]
      jobs:
        test:
          runs-on: ubuntu-latest
          steps:
            - uses: actions/checkout@v4
            - uses: actions/setup-java@v4
              with: { distribution: temurin, java-version: 17, cache: maven }
            - run: mvn -B test
            - uses: actions/upload-artifact@v4
              if: always()
              with: { name: "api-report", path: "target/odd-lantern" }
      """),
  GITLAB(".gitlab-ci.yml", """
      api tests:
        image: maven:3.9-eclipse-temurin-17
        script:
          - mvn -B test
        artifacts:
          when: always
          paths: [target/odd-lantern]
          reports:
            junit: target/surefire-reports/TEST-*.xml
      """),
  JENKINS("Jenkinsfile", """
      pipeline {
        agent { docker { image 'maven:3.9-eclipse-temurin-17' } }
        stages {
          stage('api tests') {
            steps { sh 'mvn -B test' }
          }
        }
        post {
          always {
            junit 'target/surefire-reports/TEST-*.xml'
            archiveArtifacts artifacts: 'target/odd-lantern/**'
          }
        }
      }
      """);

  private final String file;
  private final String text;

  Pipeline(String file, String text) {
    this.file = file;
    this.text = text;
  }

  String file() {
    return file;
  }

  String text() {
    return text;
  }
}
