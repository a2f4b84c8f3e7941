package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

@ServerTest
class ApiDescriptionTest {
  private static final Path KEPT = Path.of("../web/src/api/openapi.json");

  @Autowired MockMvc http;

  /** {@code ./yendrik api} writes it anew. */
  @Test
  void the_kept_description_is_what_the_server_does() throws Exception {
    var answer = http.perform(get("/v3/api-docs")).andReturn().getResponse();
    String now = answer.getContentAsString();
    assertThat(answer.getStatus()).as(now).isEqualTo(200);
    var mapper =
        JsonMapper.builder()
            .enable(SerializationFeature.INDENT_OUTPUT)
            .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
            .build();
    String tidy = mapper.writeValueAsString(mapper.readValue(now, java.util.TreeMap.class)) + "\n";
    if (Boolean.getBoolean("yendrik.api.write")) Files.writeString(KEPT, tidy);
    assertThat(tidy)
        .as("web/src/api/openapi.json is out of date; run ./yendrik api")
        .isEqualTo(Files.readString(KEPT));
  }
}
