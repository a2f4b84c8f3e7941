package yendrik.bench;

import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;

/** The whole application in a process of its own, on an empty database filled with the demo. */
final class DemoServer {
  private final Path jar;
  private final String postgres;

  /**
   * @param arguments the application's archive, and the port of PostgreSQL
   */
  DemoServer(String... arguments) {
    jar = Path.of(arguments[0]);
    postgres = "jdbc:postgresql://127.0.0.1:" + arguments[1] + "/";
  }

  /** What is done with a server that answers. */
  interface Use {
    void of(URI address) throws Exception;
  }

  String database(String name) {
    return postgres + name;
  }

  /**
   * Uses a server and ends it.
   *
   * @param crowd how many learners there are besides those of the demo
   */
  void with(String name, int crowd, Use use) throws Exception {
    with(name, crowd, List.of(), (address, _) -> use.of(address));
  }

  /** The same with all that happens by itself. */
  void withTimers(String name, int crowd, UseOfProcess use) throws Exception {
    with(name, crowd, List.of(), true, use);
  }

  /** What is done with a server whose process is looked at. */
  interface UseOfProcess {
    void of(URI address, Process process) throws Exception;
  }

  /**
   * The same.
   *
   * @param machine options of its virtual machine
   */
  void with(String name, int crowd, List<String> machine, UseOfProcess use) throws Exception {
    with(name, crowd, machine, false, use);
  }

  private void with(String name, int crowd, List<String> machine, boolean timers, UseOfProcess use)
      throws Exception {
    emptyDatabase(name);
    int port;
    try (var socket = new ServerSocket(0)) {
      port = socket.getLocalPort();
    }
    Process server =
        start(
            name,
            machine,
            timers,
            "--server.port=" + port,
            "--yendrik.demo=true",
            "--yendrik.demo.crowd=" + crowd);
    try {
      URI address = URI.create("http://127.0.0.1:" + port);
      Visitor.waitFor(address, server, Duration.ofMinutes(15));
      use.of(address, server);
    } finally {
      server.destroy();
      server.waitFor();
    }
  }

  private void emptyDatabase(String name) throws SQLException {
    try (var connection = DriverManager.getConnection(database("postgres"), "yendrik", "yendrik");
        var statement = connection.createStatement()) {
      statement.execute("drop database if exists " + name + " with (force)");
      statement.execute("create database " + name + " owner yendrik_owner");
    }
    // Archives from before there were two roles do not say what the lesser one may do.
    try (var connection = DriverManager.getConnection(database(name), "yendrik_owner", "yendrik");
        var statement = connection.createStatement()) {
      for (String rights :
          List.of("select, insert, update, delete on tables", "usage on sequences"))
        statement.execute("alter default privileges grant " + rights + " to yendrik_app");
    }
  }

  /** Starts the application on a database that is there. */
  Process start(String name, String... options) throws IOException {
    return start(name, List.of(), false, options);
  }

  private Process start(String name, List<String> machine, boolean timers, String... options)
      throws IOException {
    List<String> command =
        new ArrayList<>(
            List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:+UseSerialGC"));
    command.addAll(machine);
    command.addAll(
        List.of(
            "-jar",
            jar.toString(),
            "--spring.datasource.url=" + database(name),
            "--spring.datasource.username=yendrik_app",
            "--spring.datasource.password=yendrik",
            "--spring.flyway.user=yendrik_owner",
            "--spring.flyway.password=yendrik",
            "--yendrik.files=" + Files.createTempDirectory("yendrik-files-"),
            "--yendrik.timers=" + timers));
    command.addAll(List.of(options));
    return new ProcessBuilder(command).inheritIO().start();
  }
}
