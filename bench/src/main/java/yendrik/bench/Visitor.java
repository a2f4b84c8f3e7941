package yendrik.bench;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.locks.LockSupport;
import java.util.stream.Collectors;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** One signed-in person of the demo at the server's door, with cookies as a browser has them. */
final class Visitor {
  private static final JsonMapper JSON = new JsonMapper();
  private static final Set<String> UNDER_WAY = Set.of("WAITING", "RUNNING");
  private static final Duration POLL = Duration.ofMillis(20);
  private static final String TOKEN = "XSRF-TOKEN";

  /** Shared by all visitors, so that those who ask take as little of the machine as can be. */
  private static final HttpClient CLIENT =
      HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();

  private final Map<String, String> cookies = new ConcurrentHashMap<>();
  private final URI server;

  Visitor(URI server, String email) {
    this.server = server;
    get("/api/session");
    post("/api/session", "{\"email\":\"" + email + "\",\"password\":\"hollow-lane\"}");
  }

  static void waitFor(URI server, Process process, Duration patience) throws InterruptedException {
    Instant end = Instant.now().plus(patience);
    var probe = HttpRequest.newBuilder(server.resolve("/actuator/health/readiness")).build();
    try (var client = HttpClient.newHttpClient()) {
      while (true) {
        try {
          if (client.send(probe, BodyHandlers.discarding()).statusCode() == 200) return;
        } catch (IOException e) {
          // Not listening yet.
        }
        if (!process.isAlive() || Instant.now().isAfter(end))
          throw new IllegalStateException("the server does not answer");
        Thread.sleep(500);
      }
    }
  }

  JsonNode get(String path) {
    return send(HttpRequest.newBuilder(server.resolve(path)).GET());
  }

  JsonNode post(String path, String body) {
    return send(
        HttpRequest.newBuilder(server.resolve(path))
            .header("Content-Type", "application/json")
            .POST(BodyPublishers.ofString(body)));
  }

  /**
   * Sends something whose answer does not matter unless it is a failure.
   *
   * @return the bytes of the answer
   */
  int tell(String path, String body) {
    return sent(HttpRequest.newBuilder(server.resolve(path))
            .header("Content-Type", "application/json")
            .POST(BodyPublishers.ofString(body)))
        .length;
  }

  /** Puts something in the place of what was there. */
  void put(String path, String body) {
    sent(
        HttpRequest.newBuilder(server.resolve(path))
            .header("Content-Type", "application/json")
            .PUT(BodyPublishers.ofString(body)));
  }

  /** Changes something that is there. */
  void change(String path, String body) {
    sent(
        HttpRequest.newBuilder(server.resolve(path))
            .header("Content-Type", "application/json")
            .method("PATCH", BodyPublishers.ofString(body)));
  }

  /** Begins long work in a course and waits until it has ended. */
  JsonNode finish(String course, String path, String body) {
    String job = course + "/jobs/" + post(course + path, body).path("id").asLong();
    JsonNode now = get(job);
    while (UNDER_WAY.contains(now.path("state").asString())) {
      LockSupport.parkNanos(POLL.toNanos());
      now = get(job);
    }
    return now;
  }

  private JsonNode send(HttpRequest.Builder request) {
    byte[] body = sent(request);
    return body.length == 0 ? JSON.createObjectNode() : JSON.readTree(body);
  }

  /**
   * Sends a file in pieces, all of them the same.
   *
   * @return what the server takes it by
   */
  String upload(String name, int megabytes, byte[] piece) {
    long all = (long) megabytes << 20;
    String named = Base64.getEncoder().encodeToString(name.getBytes(StandardCharsets.UTF_8));
    var begun =
        HttpRequest.newBuilder(server.resolve("/api/uploads"))
            .header("Tus-Resumable", "1.0.0")
            .header("Upload-Length", "" + all)
            .header("Upload-Metadata", "filename " + named)
            .POST(BodyPublishers.noBody());
    String at = answer(begun).headers().firstValue("Location").orElseThrow();
    URI place = server.resolve(at);
    for (long sent = 0; sent < all; sent += piece.length)
      answer(
          HttpRequest.newBuilder(place)
              .header("Tus-Resumable", "1.0.0")
              .header("Upload-Offset", "" + sent)
              .header("Content-Type", "application/offset+octet-stream")
              .method("PATCH", BodyPublishers.ofByteArray(piece)));
    return at.substring(at.lastIndexOf('/') + 1);
  }

  /** Reads an answer to its end and keeps nothing of it; gives its bytes. */
  long drain(String path) throws IOException {
    try (InputStream in = stream(path)) {
      return in.transferTo(OutputStream.nullOutputStream());
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  /** Opens a stream of events. */
  InputStream stream(String path) throws IOException, InterruptedException {
    var request = HttpRequest.newBuilder(server.resolve(path)).GET();
    known(request);
    return CLIENT.send(request.build(), BodyHandlers.ofInputStream()).body();
  }

  private void known(HttpRequest.Builder request) {
    if (!cookies.isEmpty())
      request.setHeader(
          "Cookie",
          cookies.entrySet().stream()
              .map(c -> c.getKey() + "=" + c.getValue())
              .collect(Collectors.joining("; ")));
    if (cookies.containsKey(TOKEN)) request.setHeader("X-" + TOKEN, cookies.get(TOKEN));
  }

  private byte[] sent(HttpRequest.Builder request) {
    return answer(request).body();
  }

  private HttpResponse<byte[]> answer(HttpRequest.Builder request) {
    known(request);
    try {
      HttpResponse<byte[]> response = CLIENT.send(request.build(), BodyHandlers.ofByteArray());
      response.headers().allValues("Set-Cookie").forEach(this::keep);
      if (response.statusCode() >= 400)
        throw new IllegalStateException(
            response.uri() + ": " + response.statusCode() + " " + new String(response.body()));
      return response;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  private void keep(String cookie) {
    String[] named = cookie.split(";", 2)[0].split("=", 2);
    cookies.put(named[0], named[1]);
  }

  long course(String name) {
    return find(get("/api/session").path("courses"), name);
  }

  long step(long course, String name) {
    return get("/api/courses/" + course + "/walks/mine/route")
        .path("modules")
        .valueStream()
        .map(m -> find(m.path("steps"), name))
        .filter(id -> id != 0)
        .findFirst()
        .orElseThrow();
  }

  private static long find(JsonNode list, String name) {
    return list.valueStream()
        .filter(n -> n.path("name").asString().equals(name))
        .mapToLong(n -> n.path("id").asLong())
        .findFirst()
        .orElse(0);
  }

  /** Starts and hands in attempts; gives the milliseconds that each handing in took. */
  List<Double> handIn(long course, long quiz, int times) {
    String path = "/api/courses/" + course + "/walks/mine/steps/" + quiz + "/attempts";
    List<Double> millis = new ArrayList<>();
    for (int n = 0; n < times; n++) {
      JsonNode attempt = post(path, "");
      var answers = JSON.createObjectNode();
      attempt
          .path("questions")
          .forEach(q ->
              answers.putObject(q.path("id").asString()).put("is", "choice").put("choice", "1"));
      String body = JSON.createObjectNode().set("answers", answers).toString();
      long from = System.nanoTime();
      post(path + "/" + attempt.path("number").asInt() + "/result", body);
      millis.add((System.nanoTime() - from) / 1e6);
    }
    return millis;
  }
}
