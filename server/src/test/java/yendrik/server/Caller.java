package yendrik.server;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;

import java.net.URI;
import java.time.Duration;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.awaitility.Awaitility;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.formats.json.CoreJson;
import yendrik.server.people.SignedIn;

/** Calls the API as one person of the school. */
class Caller {
  private final MockMvc http;
  private final Optional<SignedIn> person;

  Caller(MockMvc http, SignedIn person) {
    this(http, Optional.of(person));
  }

  /** Calls as nobody without a person. */
  Caller(MockMvc http, Optional<SignedIn> person) {
    this.http = http;
    this.person = person;
  }

  MockHttpServletResponse call(String method, String path, String body, String... headers) {
    return send(method, path, MediaType.APPLICATION_JSON, body.getBytes(UTF_8), headers);
  }

  /** Sends one of the records of {@link Sent} or of the API's own. */
  MockHttpServletResponse call(String method, String path, Record body, String... headers) {
    return call(method, path, text(body), headers);
  }

  /** Sends a file as the body. */
  MockHttpServletResponse upload(String path, byte[] file) {
    return send("POST", path, MediaType.APPLICATION_OCTET_STREAM, file);
  }

  /** Sends a file in two pieces, to be taken by the name that comes back. */
  String sent(String name, byte[] file) {
    var begun =
        call(
            "POST",
            "/api/uploads",
            "",
            "Tus-Resumable",
            "1.0.0",
            "Upload-Length",
            "" + file.length,
            "Upload-Metadata",
            "filename " + Base64.getEncoder().encodeToString(name.getBytes(UTF_8)));
    String address = String.valueOf(begun.getHeader("Location"));
    int half = file.length / 2;
    piece(address, 0, Arrays.copyOfRange(file, 0, half));
    piece(address, half, Arrays.copyOfRange(file, half, file.length));
    return address.substring(address.lastIndexOf('/') + 1);
  }

  /** Sends a piece of a file. */
  MockHttpServletResponse piece(String address, int offset, byte[] piece) {
    return send(
        "PATCH",
        address,
        MediaType.parseMediaType("application/offset+octet-stream"),
        piece,
        "Content-Length",
        "" + piece.length,
        "Tus-Resumable",
        "1.0.0",
        "Upload-Offset",
        "" + offset);
  }

  MockHttpServletResponse send(
      String method, String path, MediaType type, byte[] body, String... headers) {
    var how = HttpMethod.valueOf(method);
    // What is written as it is sent already is not written so again.
    var address =
        path.matches(".*%7B.*%7D.*")
            ? MockMvcRequestBuilders.request(how, URI.create(path))
            : MockMvcRequestBuilders.request(how, path);
    var request = address.with(csrf());
    person.ifPresent(p ->
        request.with(
            authentication(UsernamePasswordAuthenticationToken.authenticated(p, null, List.of()))));
    request.contentType(type).content(body);
    for (int h = 0; h < headers.length; h += 2) request.header(headers[h], headers[h + 1]);
    try {
      return http.perform(request).andReturn().getResponse();
    } catch (Exception e) {
      throw new IllegalStateException(e);
    }
  }

  /** Changes what differs between a thing of a draft as it was seen and as it is to be. */
  MockHttpServletResponse change(String path, JsonNode seen, JsonNode edit) {
    ObjectNode body = CoreJson.mapper().createObjectNode();
    ObjectNode from = body.putObject("from");
    ObjectNode to = body.putObject("to");
    Set<String> names = new TreeSet<>(seen.propertyNames());
    names.addAll(edit.propertyNames());
    for (String name : names) {
      if (seen.path(name).equals(edit.path(name))) continue;
      if (seen.hasNonNull(name)) from.set(name, seen.get(name));
      if (edit.hasNonNull(name)) to.set(name, edit.get(name));
    }
    return call("PATCH", path, body.toString());
  }

  JsonNode get(String path) {
    return json(call("GET", path, ""));
  }

  JsonNode post(String path, Record body) {
    return json(call("POST", path, body));
  }

  static String text(Record body) {
    return CoreJson.mapper().writeValueAsString(body);
  }

  JsonNode post(String path, String body) {
    return json(call("POST", path, body));
  }

  /** Publishes a course's draft as it is now, seen by this person, and waits for its learners. */
  MockHttpServletResponse publish(String course) {
    JsonNode impact = get(course + "/publications/next");
    var begun =
        call(
            "POST",
            course + "/publications",
            new Sent.Publication(impact.path("draft").asString()));
    if (begun.getStatus() < 300) ended(course, begun);
    return begun;
  }

  /** What has become of work that was begun, when it has ended. */
  JsonNode ended(String course, MockHttpServletResponse begun) {
    String job = course + "/jobs/" + json(begun).path("id").asLong();
    return Awaitility.await()
        .pollInterval(Duration.ofMillis(10))
        .until(
            () -> get(job),
            j -> !List.of("WAITING", "RUNNING").contains(j.path("state").asString()));
  }

  /**
   * The body that answers an attempt: for each question in order the choice that begins so, none
   * where it is empty.
   */
  static String answers(JsonNode attempt, String... beginnings) {
    ObjectNode body = CoreJson.mapper().createObjectNode();
    ObjectNode answers = body.putObject("answers");
    for (int q = 0; q < beginnings.length; q++) {
      JsonNode question = attempt.path("questions").path(q);
      String wanted = beginnings[q];
      if (!wanted.isEmpty())
        question
            .path("part")
            .path("choices")
            .valueStream()
            .filter(c -> c.path("text").asString().startsWith(wanted))
            .findFirst()
            .ifPresent(c ->
                answers
                    .putObject(question.path("id").asString())
                    .put("is", "choice")
                    .put("choice", c.path("id").asString()));
    }
    return body.toString();
  }

  static JsonNode json(MockHttpServletResponse response) {
    byte[] body = response.getContentAsByteArray();
    return body.length == 0
        ? CoreJson.mapper().createObjectNode()
        : CoreJson.mapper().readTree(body);
  }
}
