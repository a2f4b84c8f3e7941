package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import yendrik.formats.json.CoreJson;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;

class EveryEndpointTest extends BenchTest {
  @Autowired RequestMappingHandlerMapping requestMappingHandlerMapping;

  private record Endpoint(String method, String path, Right right) {}

  private List<Endpoint> endpoints() {
    List<Endpoint> all = new ArrayList<>();
    requestMappingHandlerMapping
        .getHandlerMethods()
        .forEach((info, handler) -> {
          if (handler.getBeanType().getPackageName().startsWith("yendrik"))
            all.add(endpoint(info, handler));
        });
    return all;
  }

  private Endpoint endpoint(RequestMappingInfo info, HandlerMethod handler) {
    Needs needs = handler.getMethodAnnotation(Needs.class);
    assertThat(needs).as(handler + " says which right it needs").isNotNull();
    String path =
        info.getPatternValues()
            .iterator()
            .next()
            .replace("{course}", "" + bench.id)
            .replace("{walk}", "mine")
            .replace("{part}", "steps")
            .replaceAll("\\{[a-z]+}", "999999");
    return new Endpoint(
        info.getMethodsCondition().getMethods().iterator().next().name(), path, needs.value());
  }

  private static int described() {
    return CoreJson.mapper()
        .readTree(Path.of("../web/src/api/openapi.json"))
        .path("paths")
        .valueStream()
        .mapToInt(path -> path.size())
        .sum();
  }

  private static boolean may(String name, Right right) {
    return switch (right) {
      case ANYBODY, SIGNED_IN -> true;
      case ADMINISTER -> name.equals("Sefa Dunmore");
      case LEARN -> !name.equals("Sol Wickham");
      case TEACH -> !name.equals("Sol Wickham") && !name.equals("Juno Abara");
      case PLAN -> name.equals("Odalys Brandt") || name.equals("Sefa Dunmore");
    };
  }

  @Test
  void every_endpoint_refuses_everybody_without_its_right_and_nobody_with_it() {
    List<Endpoint> endpoints = endpoints();
    assertThat(endpoints)
        .as("those of the description, and the stream of events")
        .hasSize(described() + 1);
    for (String name :
        List.of(
            "Sol Wickham",
            "Juno Abara",
            "Priya Nakamura",
            "Tomas Weir",
            "Odalys Brandt",
            "Sefa Dunmore")) {
      Caller caller = as(name);
      for (Endpoint e : endpoints) {
        var response = caller.call(e.method, e.path, "{}", "If-Match", "1");
        String what = e.method + " " + e.path + " as " + name + ": " + response.getStatus();
        if (may(name, e.right)) assertThat(refused(response)).as(what).isFalse();
        else assertThat(response.getStatus()).as(what).isIn(403, 404);
        assertThat(response.getStatus()).as(what).isNotEqualTo(500);
      }
    }
  }

  /** Refused for the right, and not because, say, a made-up step is not there. */
  private static boolean refused(org.springframework.mock.web.MockHttpServletResponse response) {
    return response.getStatus() == 401
        || (response.getStatus() == 403
            && Caller.json(response)
                .path("detail")
                .asString()
                .startsWith("Your part in this course"));
  }

  @Test
  void nobody_signed_in_gets_nothing_and_a_call_without_the_token_neither() throws Exception {
    for (Endpoint e : endpoints()) {
      if (e.right == Right.ANYBODY) continue;
      var builder =
          request(HttpMethod.valueOf(e.method), e.path)
              .with(csrf())
              .contentType(MediaType.APPLICATION_JSON)
              .content("{}");
      assertThat(http.perform(builder).andReturn().getResponse().getStatus())
          .as(e.toString())
          .isEqualTo(401);
    }
    var withoutToken =
        request(HttpMethod.POST, "/api/session")
            .contentType(MediaType.APPLICATION_JSON)
            .content("{}");
    assertThat(http.perform(withoutToken).andReturn().getResponse().getStatus()).isEqualTo(403);
  }

  /**
   * What is known by a number is looked for in the course of the address: nobody reaches into
   * another course from one in which they have every right.
   */
  @Test
  void what_belongs_to_another_course_is_not_there() {
    NewCourse own = newCourse("Own");
    staff(own, "Odalys Brandt", Seat.Role.DESIGNER);
    own.step(own.module("Tubes"), "PAGE", "How a patch holds");
    own.publish();
    Map<String, String> theirs =
        Map.of(
            "enrolment", "" + enrolment("Ilse Tran"),
            "step", "" + bench.page,
            "outcome", "" + bench.brake,
            "person", "" + signedIn("Ilse Tran").id());
    Caller odalys = as("Odalys Brandt");
    String before =
        as("Sefa Dunmore").get(path() + "/reports/progress").path("learners").toString();
    int tried = 0;
    for (var mapping : requestMappingHandlerMapping.getHandlerMethods().keySet()) {
      String pattern = mapping.getPatternValues().iterator().next();
      if (theirs.keySet().stream().noneMatch(name -> pattern.contains("{" + name + "}"))) continue;
      String path = pattern.replace("{course}", "" + own.id).replace("{walk}", "practice");
      for (var known : theirs.entrySet())
        path = path.replace("{" + known.getKey() + "}", known.getValue());
      String method = mapping.getMethodsCondition().getMethods().iterator().next().name();
      var answer = odalys.call(method, path.replaceAll("\\{[a-z]+}", "1"), "{}", "If-Match", "1");
      assertThat(answer.getStatus()).as(method + " " + path).isBetween(400, 499);
      tried++;
    }
    assertThat(tried).isPositive();
    assertThat(as("Sefa Dunmore").get(path() + "/reports/progress").path("learners").toString())
        .isEqualTo(before);
  }
}
