package yendrik.server;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;

import java.util.List;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import tools.jackson.databind.JsonNode;
import yendrik.formats.json.CoreJson;
import yendrik.server.people.SignedIn;

/** Calls the API as one person of the demo. */
final class Caller {
  private final MockMvc http;
  private final SignedIn person;

  Caller(MockMvc http, SignedIn person) {
    this.http = http;
    this.person = person;
  }

  MockHttpServletResponse call(String method, String path, String body, String... headers) {
    return send(method, path, MediaType.APPLICATION_JSON, body.getBytes(UTF_8), headers);
  }

  /** Sends a file as the body. */
  MockHttpServletResponse upload(String path, byte[] file) {
    return send("POST", path, MediaType.APPLICATION_OCTET_STREAM, file);
  }

  private MockHttpServletResponse send(
      String method, String path, MediaType type, byte[] body, String... headers) {
    var request = MockMvcRequestBuilders.request(HttpMethod.valueOf(method), path).with(csrf());
    request.with(
        authentication(UsernamePasswordAuthenticationToken.authenticated(person, null, List.of())));
    request.contentType(type).content(body);
    for (int h = 0; h < headers.length; h += 2) request.header(headers[h], headers[h + 1]);
    try {
      return http.perform(request).andReturn().getResponse();
    } catch (Exception e) {
      throw new IllegalStateException(e);
    }
  }

  JsonNode get(String path) {
    return json(call("GET", path, ""));
  }

  JsonNode post(String path, String body) {
    return json(call("POST", path, body));
  }

  static JsonNode json(MockHttpServletResponse response) {
    byte[] body = response.getContentAsByteArray();
    return body.length == 0
        ? CoreJson.mapper().createObjectNode()
        : CoreJson.mapper().readTree(body);
  }
}
