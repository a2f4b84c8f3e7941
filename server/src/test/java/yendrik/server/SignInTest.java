package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import org.junit.jupiter.api.Test;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;

@ServerTest
class SignInTest extends SchoolTest {
  private MockHttpServletResponse signIn(String email, String password) throws Exception {
    String body = Caller.text(new Sent.SignIn(email, password));
    return http.perform(
            post("/api/session").with(csrf()).contentType(MediaType.APPLICATION_JSON).content(body))
        .andReturn()
        .getResponse();
  }

  @Test
  void the_right_password_lets_in_whatever_the_case_of_the_address() throws Exception {
    var response = signIn("Tomas@hollowlane.example", "hollow-lane");
    assertThat(response.getStatus()).isEqualTo(200);
    assertThat(Caller.json(response).path("person").path("name").asString())
        .isEqualTo("Tomas Weir");
    assertThat(response.getContentAsString()).doesNotContain("password", "hash");
  }

  @Test
  void wrong_passwords_are_limited() throws Exception {
    for (int i = 0; i < 8; i++)
      assertThat(signIn("priya@hollowlane.example", "wrong").getStatus()).isEqualTo(401);
    assertThat(signIn("priya@hollowlane.example", "hollow-lane").getStatus()).isEqualTo(429);
    assertThat(signIn("tomas@hollowlane.example", "hollow-lane").getStatus()).isEqualTo(200);
  }

  @Test
  void pages_come_with_headers_that_keep_foreign_scripts_out() throws Exception {
    var response = http.perform(get("/api/session")).andReturn().getResponse();
    assertThat(response.getHeader("Content-Security-Policy"))
        .contains("script-src 'self'")
        .doesNotContain("unsafe-eval");
    assertThat(response.getHeader("X-Content-Type-Options")).isEqualTo("nosniff");
    assertThat(response.getHeader("X-Frame-Options")).isNotNull();
  }
}
