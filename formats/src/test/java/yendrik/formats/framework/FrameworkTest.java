package yendrik.formats.framework;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.Size;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import yendrik.core.Plain;
import yendrik.core.outcome.Composition;
import yendrik.core.words.Catalogue;
import yendrik.core.words.Writing;
import yendrik.formats.json.CoreJson;
import yendrik.formats.refused.Unreadable;

class FrameworkTest {
  private static final Writing ENGLISH = new Writing(Catalogue.english(), ZoneOffset.UTC, 2026);

  private static final UUID BRAKE = UUID.fromString("7b4d2c0e-4a53-4a8e-9d1f-0c7a5e1f2a01");
  private static final UUID GEAR = UUID.fromString("7b4d2c0e-4a53-4a8e-9d1f-0c7a5e1f2a02");
  private static final UUID BIKE = UUID.fromString("7b4d2c0e-4a53-4a8e-9d1f-0c7a5e1f2a03");
  private static final Framework WORKSHOP =
      new Framework(
          UUID.fromString("7b4d2c0e-4a53-4a8e-9d1f-0c7a5e1f2a00"),
          "Cycle Mechanic Foundations",
          List.of(
              item(
                  BRAKE,
                  "BRAKE",
                  "Set up rim and disc brakes",
                  "Brakes that stop, and are silent.",
                  "Parts",
                  "Brakes"),
              item(GEAR, "GEAR", "Index a “derailleur”, nine speeds", "", "Parts"),
              new Framework.Item(
                  Optional.of(BIKE),
                  "BIKE",
                  "Keep a bicycle safe",
                  "=not a formula",
                  Optional.of(List.of()),
                  Optional.of(
                      new Framework.Made(new Composition.AtLeast(2), List.of("BRAKE", "GEAR"))))),
          List.of(
              new Framework.Sheet(
                  UUID.fromString("7b4d2c0e-4a53-4a8e-9d1f-0c7a5e1f2a04"),
                  "Brake practical",
                  List.of(
                      new Framework.Criterion(
                          "Pads",
                          "Set with the right angle",
                          true,
                          Optional.of("BRAKE"),
                          List.of(
                              new Framework.Level("touching", "", 0, Optional.empty()),
                              new Framework.Level(
                                  "silent", "No squeal", 2.5, Optional.of("On my own")))),
                      new Framework.Criterion(
                          "Tidy bench",
                          "",
                          false,
                          Optional.empty(),
                          List.of(
                              new Framework.Level("no", "", 0, Optional.empty()),
                              new Framework.Level("yes", "", 1, Optional.empty())))))));

  private static Framework.Item item(
      UUID id, String code, String statement, String description, String... group) {
    return new Framework.Item(
        Optional.of(id),
        code,
        statement,
        description,
        Optional.of(List.of(group)),
        Optional.empty());
  }

  private static String asCase(Framework framework) {
    return FrameworkCase.write(
        framework, "http://127.0.0.1:8480", Instant.parse("2026-11-23T08:00:00Z"));
  }

  private static List<String> faultsOfCsv(String text) {
    return catchThrowableOfType(Unreadable.class, () -> FrameworkCsv.read(text)).faults().stream()
        .map(ENGLISH::say)
        .toList();
  }

  private static List<String> faultsOfCase(String text) {
    return catchThrowableOfType(Unreadable.class, () -> FrameworkCase.read(text)).faults().stream()
        .map(ENGLISH::say)
        .toList();
  }

  @Test
  void a_package_comes_back_as_it_was() {
    assertThat(FrameworkCase.read(asCase(WORKSHOP))).isEqualTo(WORKSHOP);
  }

  @Test
  void a_table_comes_back_with_its_items() {
    assertThat(FrameworkCsv.read(FrameworkCsv.write(WORKSHOP)).items()).isEqualTo(WORKSHOP.items());
  }

  @Test
  void a_package_has_what_the_standard_asks_for() {
    JsonNode root = CoreJson.mapper().readTree(asCase(WORKSHOP));
    for (String field : List.of("identifier", "uri", "title", "creator", "lastChangeDateTime"))
      assertThat(root.path("CFDocument").path(field).asString()).as(field).isNotBlank();
    for (JsonNode item : root.path("CFItems"))
      for (String field : List.of("identifier", "uri", "fullStatement", "lastChangeDateTime"))
        assertThat(item.path(field).asString()).as(field).isNotBlank();
    assertThat(root.path("CFAssociations").valueStream())
        .extracting(a -> a.path("associationType").asString())
        .containsExactly(
            "isChildOf",
            "isChildOf",
            "isChildOf",
            "isChildOf",
            "isChildOf",
            "isPartOf",
            "isPartOf");
    assertThat(root.path("CFItems").valueStream())
        .extracting(i -> i.path("CFItemType").asString() + " " + i.path("fullStatement").asString())
        .startsWith("Group Parts", "Group Brakes", "Outcome Set up rim and disc brakes");
    for (JsonNode rubric : root.path("CFRubrics")) {
      assertThat(rubric.path("title").asString()).isNotBlank();
      for (JsonNode c : rubric.path("CFRubricCriteria"))
        assertThat(c.path("rubricId").asString()).isEqualTo(rubric.path("identifier").asString());
    }
    for (JsonNode a : root.path("CFAssociations"))
      assertThat(a.path("originNodeURI").path("uri").asString()).startsWith("http://127.0.0.1");
  }

  @Property
  void any_wording_survives_both_formats(
      @ForAll @Size(min = 1, max = 8) List<@StringLength(min = 1, max = 60) String> wordings) {
    List<Framework.Item> items = new ArrayList<>();
    for (String wording : wordings) {
      String clean = Plain.cleaned(wording).strip();
      String statement = clean.isEmpty() ? "x" : clean;
      items.add(
          new Framework.Item(
              Optional.of(new UUID(7, items.size())),
              "O" + items.size(),
              statement,
              "",
              Optional.empty(),
              Optional.empty()));
    }
    var framework = new Framework(new UUID(1, 1), "Any", items, List.of());
    assertThat(FrameworkCase.read(asCase(framework)).items()).isEqualTo(items);
    assertThat(
            FrameworkCsv.read(FrameworkCsv.write(framework)).items().stream()
                .map(i -> i.statement().strip()))
        .containsExactlyElementsOf(items.stream().map(i -> i.statement().strip()).toList());
  }

  @Test
  void a_character_that_cannot_be_seen_is_named_by_its_row_and_column() {
    var refused =
        catchThrowableOfType(
            Unreadable.class, () -> FrameworkCsv.read("code,name\nTI\u202EE,True a wheel\n"));
    assertThat(refused.faults().stream().map(ENGLISH::say))
        .containsExactly("Row 2: code holds a character that cannot be seen. Type it anew.");
  }

  @Test
  void columns_may_stand_in_any_order_and_more_of_them_do_no_harm() {
    var read = FrameworkCsv.read("Name,Colour,CODE\nTrue a wheel,red,WHEEL\n");
    assertThat(read.items())
        .containsExactly(
            new Framework.Item(
                Optional.empty(), "WHEEL", "True a wheel", "", Optional.empty(), Optional.empty()));
  }

  @Test
  void every_fault_of_a_table_names_its_row_and_column() {
    assertThat(faultsOfCsv("code,name\nA,One\n,Two\nA,Three\nB,\n" + "C".repeat(30) + ",Five\n"))
        .containsExactly(
            "Row 3: code is empty.",
            "Row 4: code “A” stands at Row 2 too.",
            "Row 5: name is empty.",
            "Row 6: code is longer than 20 characters.");
    assertThat(faultsOfCsv("kode,name\nA,One\n"))
        .containsExactly("Row 1: there is no column “code”.");
    assertThat(faultsOfCsv("identifier,code,name\nnonsense,A,One\n"))
        .containsExactly("Row 2: identifier “nonsense” is no UUID.");
  }

  @Test
  void every_fault_of_a_package_names_its_item_and_field() {
    assertThat(faultsOfCase("{\"CFItems\":[{\"fullStatement\":\"x\"},{\"identifier\":\"7\"}]}"))
        .containsExactly(
            "CFItems[0]: identifier is missing.",
            "CFItems[1]: identifier “7” is no UUID.",
            "CFItems[1]: fullStatement is empty.");
    assertThat(faultsOfCase("{}").getFirst()).contains("is it a CFPackage?");
    assertThat(faultsOfCase("<html>").getFirst()).startsWith("The file: it is no JSON");
  }

  @Test
  void parts_of_a_table_are_named_by_code_or_identifier() {
    var read =
        FrameworkCsv.read(
            "identifier,code,name,parts,combine\n"
                + BRAKE
                + ",BRAKE,Brakes,,\n,BIKE,Bicycle,"
                + BRAKE
                + "; ELSEWHERE,lowest\n");
    assertThat(read.items().getLast().made())
        .contains(new Framework.Made(new Composition.Lowest(), List.of("BRAKE", "ELSEWHERE")));
    assertThat(faultsOfCsv("code,name,parts,combine\nA,One,B,most\n"))
        .containsExactly("Row 2: combine “most” is none of: all, at least 2, mean, lowest.");
  }

  @Test
  void headings_of_a_foreign_package_become_groups_and_circles_of_them_are_faults() {
    String head =
        "{\"CFItems\":[{\"identifier\":\"%s\",\"fullStatement\":\"Heading\"},".formatted(BIKE)
            + "{\"identifier\":\"%s\",\"fullStatement\":\"Shift\",".formatted(GEAR)
            + "\"humanCodingScheme\":\"S.1\"}],\"CFAssociations\":[";
    String below =
        "{\"associationType\":\"isChildOf\",\"originNodeURI\":{\"identifier\":\"%s\"},"
            + "\"destinationNodeURI\":{\"identifier\":\"%s\"}}";
    var read = FrameworkCase.read(head + below.formatted(GEAR, BIKE) + "]}");
    assertThat(read.items())
        .singleElement()
        .satisfies(item -> {
          assertThat(item.code()).isEqualTo("S.1");
          assertThat(item.group()).contains(List.of("Heading"));
        });
    String circle = below.formatted(GEAR, BIKE) + "," + below.formatted(BIKE, BIKE);
    assertThat(faultsOfCase(head + circle + "]}"))
        .containsExactly("CFItems[1]: isChildOf leads in a circle.");
  }

  @Test
  void a_criterion_with_one_level_is_a_fault_and_names_its_place() {
    assertThat(
            faultsOfCase(
                "{\"CFItems\":[],\"CFRubrics\":[{\"title\":\"R\",\"CFRubricCriteria\":"
                    + "[{\"category\":\"Pads\",\"CFRubricCriterionLevels\":[{\"quality\":\"yes\"}]}]}]}"))
        .containsExactly(
            "CFRubrics[0].CFRubricCriteria[0]: CFRubricCriterionLevels has fewer than two.");
  }

  @Test
  void an_item_without_a_code_gets_one_from_its_place() {
    var read =
        FrameworkCase.read(
            "{\"CFItems\":[{\"identifier\":\"" + GEAR + "\",\"fullStatement\":\"Shift\"}]}");
    assertThat(read.items().getFirst().code()).isEqualTo("C1");
  }
}
