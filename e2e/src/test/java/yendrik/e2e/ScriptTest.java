package yendrik.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;

/**
 * The script looks after an installation of its own, in a folder that is named from where it is
 * called; {@code ./yendrik test} runs this, since the application must have been built.
 */
@EnabledIfSystemProperty(named = "yendrik.script", matches = "true")
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class ScriptTest {
  private static final Path SCRIPT = Path.of("../yendrik").toAbsolutePath().normalize();
  private static Path folder;
  private static Map<String, String> ports;

  @BeforeAll
  static void anEmptyFolder() throws IOException {
    // Elsewhere than usual: who runs PostgreSQL must be let in.
    var everybody = PosixFilePermissions.fromString("rwxr-xr-x");
    folder =
        Files.createTempDirectory(
            Path.of("/var/tmp"), "yendrik-script", PosixFilePermissions.asFileAttribute(everybody));
    Files.setPosixFilePermissions(folder, everybody);
    ports = new TreeMap<>();
    for (String port :
        List.of(
            "PORT",
            "DB_PORT",
            "MAIL_PORT",
            "MAILROOM_PORT",
            "CHECKER_PORT",
            "FILMS_PORT",
            "KEEPSAKE_PORT")) ports.put("YENDRIK_" + port, "" + free());
    ports.put("YENDRIK_DATA", "data");
  }

  private static int free() throws IOException {
    try (var socket = new ServerSocket(0)) {
      return socket.getLocalPort();
    }
  }

  @AfterAll
  static void nothingIsLeft() throws Exception {
    run("stop");
    assertThat(left()).isEmpty();
    new ProcessBuilder("rm", "-rf", folder.toString()).start().waitFor();
  }

  /** What was said, and how it ended. */
  private record Ended(int code, String said) {}

  private static Process begin(String... words) throws IOException {
    List<String> command = new ArrayList<>(List.of(SCRIPT.toString()));
    command.addAll(List.of(words));
    var builder =
        new ProcessBuilder(command)
            .directory(folder.toFile())
            .redirectErrorStream(true)
            .redirectOutput(output(words).toFile());
    builder.environment().putAll(ports);
    return builder.start();
  }

  private static Path output(String... words) {
    return folder.resolve(words[0] + ".said");
  }

  private static Ended run(String... words) throws Exception {
    Process process = begin(words);
    assertThat(process.waitFor(5, TimeUnit.MINUTES)).as(String.join(" ", words)).isTrue();
    return new Ended(process.exitValue(), Files.readString(output(words)));
  }

  /** Processes that still run for this installation. */
  private static List<String> left() {
    return ProcessHandle.allProcesses()
        .flatMap(p -> p.info().commandLine().stream())
        .filter(line -> line.contains(folder.toString()))
        .toList();
  }

  private static void await(BooleanSupplier done) throws InterruptedException {
    for (int n = 0; n < 600 && !done.getAsBoolean(); n++) Thread.sleep(100);
    assertThat(done.getAsBoolean()).isTrue();
  }

  private static boolean said(String words) {
    try {
      return Files.readString(output("serve")).contains(words);
    } catch (IOException e) {
      return false;
    }
  }

  private static int ask(String path) throws Exception {
    var address = URI.create("http://127.0.0.1:" + ports.get("YENDRIK_PORT") + path);
    try (var client = HttpClient.newHttpClient()) {
      var request = HttpRequest.newBuilder(address).timeout(Duration.ofSeconds(30)).build();
      return client.send(request, BodyHandlers.discarding()).statusCode();
    }
  }

  private static Path data(String name) {
    return folder.resolve("data").resolve(name);
  }

  private static void killDatabase() throws Exception {
    String pid = Files.readAllLines(data("postgres-main/postmaster.pid")).getFirst();
    ProcessHandle.of(Long.parseLong(pid.strip())).orElseThrow().destroyForcibly();
  }

  @Test
  @Order(1)
  void a_start_is_ended_by_stop_and_nobody_else_works_here_meanwhile() throws Exception {
    Process start = begin("serve");
    await(() -> said("Starting Yendrik"));
    Ended second = run("admin", "sefa@hollowlane.example");
    assertThat(second.code()).isNotZero();
    assertThat(second.said()).contains("./yendrik serve is at work in " + folder.resolve("data"));
    assertThat(run("stop").code()).isZero();
    assertThat(start.waitFor(20, TimeUnit.SECONDS)).isTrue();
    assertThat(left()).isEmpty();
  }

  @Test
  @Order(2)
  void a_database_that_is_gone_is_started_again_beside_a_server_that_runs() throws Exception {
    Ended started = run("serve");
    assertThat(started.code()).as(started.said()).isZero();
    assertThat(started.said()).contains("Nobody can enter yet");
    killDatabase();
    assertThat(ask("/actuator/health/readiness")).isEqualTo(503);
    Ended again = run("serve");
    assertThat(again.said()).contains("Looking after PostgreSQL", "is running already");
    assertThat(ask("/actuator/health/readiness")).isEqualTo(200);
  }

  @Test
  @Order(3)
  void lost_and_wrong_secrets_are_set_anew_and_the_server_goes_on() throws Exception {
    Files.delete(data("main.secret"));
    Files.writeString(data("app.secret"), "wrong\n");
    Ended link = run("admin", "sefa@hollowlane.example");
    assertThat(link.code()).as(link.said()).isZero();
    assertThat(link.said())
        .contains("main.secret was lost", "app.secret is not the one", "/password#");
    assertThat(ask("/actuator/health/readiness")).isEqualTo(200);
    killDatabase();
    run("serve");
    assertThat(ask("/actuator/health/readiness")).as("with connections of now").isEqualTo(200);
    String log = Files.readString(data("logs/server.log"));
    assertThat(log.split("Started YendrikServer", -1)).as("kept from start to start").hasSize(2);
  }

  @Test
  @Order(4)
  void nothing_is_stopped_that_only_has_the_number_of_what_was_started() throws Exception {
    assertThat(run("stop").code()).isZero();
    Process foreign = new ProcessBuilder("sleep", "60").start();
    Files.writeString(data("server.pid"), foreign.pid() + " 12345\n");
    assertThat(run("stop").code()).isZero();
    assertThat(foreign.isAlive()).isTrue();
    foreign.destroy();
  }
}
