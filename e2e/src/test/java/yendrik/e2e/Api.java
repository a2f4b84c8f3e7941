package yendrik.e2e;

import static java.nio.charset.StandardCharsets.UTF_8;

import com.microsoft.playwright.APIRequest;
import com.microsoft.playwright.APIRequestContext;
import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.options.RequestOptions;
import java.util.Base64;
import java.util.Set;
import java.util.TreeSet;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.formats.json.CoreJson;

/** What one person asks of the server without a page. */
final class Api {
  private final APIRequestContext http;

  Api(APIRequest requests, String address, String firstName) {
    http = requests.newContext(new APIRequest.NewContextOptions().setBaseURL(address));
    http.get("/api/session");
    ObjectNode body = object();
    body.put("email", firstName + "@hollowlane.example").put("password", "hollow-lane");
    send("POST", "/api/session", body.toString());
  }

  static ObjectNode object() {
    return CoreJson.mapper().createObjectNode();
  }

  JsonNode get(String path) {
    return send("GET", path, "");
  }

  JsonNode post(String path, Record body) {
    return post(path, CoreJson.mapper().writeValueAsString(body));
  }

  JsonNode put(String path, Record body) {
    return put(path, CoreJson.mapper().writeValueAsString(body));
  }

  JsonNode post(String path, String body) {
    return send("POST", path, body);
  }

  JsonNode put(String path, String body) {
    return send("PUT", path, body);
  }

  /** Changes what differs between a thing of a draft as it was seen and as it is to be. */
  JsonNode change(String path, JsonNode seen, JsonNode edit) {
    ObjectNode body = object();
    ObjectNode from = body.putObject("from");
    ObjectNode to = body.putObject("to");
    Set<String> names = new TreeSet<>(seen.propertyNames());
    names.addAll(edit.propertyNames());
    for (String name : names) {
      if (seen.path(name).equals(edit.path(name))) continue;
      if (seen.hasNonNull(name)) from.set(name, seen.get(name));
      if (edit.hasNonNull(name)) to.set(name, edit.get(name));
    }
    return send("PATCH", path, body.toString());
  }

  /** Sends a file in one piece and keeps it in a course. */
  JsonNode keep(String course, String name, byte[] file, String use) {
    String called = Base64.getEncoder().encodeToString(name.getBytes(UTF_8));
    APIResponse begun =
        http.fetch(
            "/api/uploads",
            options("POST")
                .setHeader("Tus-Resumable", "1.0.0")
                .setHeader("Upload-Length", "" + file.length)
                .setHeader("Upload-Metadata", "filename " + called));
    String address = begun.headers().get("location");
    read(
        http.fetch(
            address,
            options("PATCH")
                .setHeader("Tus-Resumable", "1.0.0")
                .setHeader("Upload-Offset", "0")
                .setHeader("Content-Type", "application/offset+octet-stream")
                .setData(file)));
    ObjectNode sent = object().put("upload", address.replaceAll(".*/", "")).put("use", use);
    return post(course + "/design/files", sent.toString());
  }

  private JsonNode send(String method, String path, String body) {
    RequestOptions options = options(method).setHeader("Content-Type", "application/json");
    return read(http.fetch(path, body.isEmpty() ? options : options.setData(body)));
  }

  private RequestOptions options(String method) {
    return RequestOptions.create().setMethod(method).setHeader("X-XSRF-TOKEN", token());
  }

  private String token() {
    JsonNode state = CoreJson.mapper().readTree(http.storageState());
    for (JsonNode cookie : state.path("cookies"))
      if (cookie.path("name").asString().equals("XSRF-TOKEN"))
        return cookie.path("value").asString();
    return "";
  }

  private static JsonNode read(APIResponse response) {
    if (!response.ok())
      throw new IllegalStateException(
          response.status() + " " + response.url() + ": " + response.text());
    String text = response.text();
    return text.isEmpty() ? object() : CoreJson.mapper().readTree(text);
  }
}
