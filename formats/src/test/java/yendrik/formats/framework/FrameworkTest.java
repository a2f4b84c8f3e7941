package yendrik.formats.framework;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.time.Instant;
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
import yendrik.formats.json.CoreJson;

class FrameworkTest {
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
                  "Brakes that stop, and are silent."),
              item(GEAR, "GEAR", "Index a “derailleur”, nine speeds", ""),
              new Framework.Item(
                  Optional.of(BIKE),
                  "BIKE",
                  "Keep a bicycle safe",
                  "=not a formula",
                  List.of(BRAKE, GEAR))));

  private static Framework.Item item(UUID id, String code, String statement, String description) {
    return new Framework.Item(Optional.of(id), code, statement, description, List.of());
  }

  private static String asCase(Framework framework) {
    return FrameworkCase.write(
        framework, "http://127.0.0.1:8480", Instant.parse("2026-11-23T08:00:00Z"));
  }

  private static List<String> faultsOfCsv(String text) {
    return catchThrowableOfType(Unreadable.class, () -> FrameworkCsv.read(text)).faults();
  }

  private static List<String> faultsOfCase(String text) {
    return catchThrowableOfType(Unreadable.class, () -> FrameworkCase.read(text)).faults();
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
        .containsExactly("isChildOf", "isChildOf", "isChildOf", "isPartOf", "isPartOf");
    for (JsonNode a : root.path("CFAssociations"))
      assertThat(a.path("originNodeURI").path("uri").asString()).startsWith("http://127.0.0.1");
  }

  @Property
  void any_wording_survives_both_formats(
      @ForAll @Size(min = 1, max = 8) List<@StringLength(min = 1, max = 60) String> wordings) {
    List<Framework.Item> items = new ArrayList<>();
    for (String wording : wordings) {
      String clean = wording.strip().replaceAll("\\p{C}", "");
      String statement = clean.isEmpty() ? "x" : clean.strip();
      if (statement.isEmpty() || statement.startsWith("'")) statement = "x";
      items.add(
          new Framework.Item(
              Optional.of(new UUID(7, items.size())),
              "O" + items.size(),
              statement,
              "",
              List.of()));
    }
    var framework = new Framework(new UUID(1, 1), "Any", items);
    assertThat(FrameworkCase.read(asCase(framework)).items()).isEqualTo(items);
    assertThat(
            FrameworkCsv.read(FrameworkCsv.write(framework)).items().stream()
                .map(i -> i.statement().strip()))
        .containsExactlyElementsOf(items.stream().map(i -> i.statement().strip()).toList());
  }

  @Test
  void columns_may_stand_in_any_order_and_more_of_them_do_no_harm() {
    var read = FrameworkCsv.read("Name,Colour,CODE\nTrue a wheel,red,WHEEL\n");
    assertThat(read.items())
        .containsExactly(
            new Framework.Item(Optional.empty(), "WHEEL", "True a wheel", "", List.of()));
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
  void an_item_without_a_code_gets_one_from_its_place() {
    var read =
        FrameworkCase.read(
            "{\"CFItems\":[{\"identifier\":\"" + GEAR + "\",\"fullStatement\":\"Shift\"}]}");
    assertThat(read.items().getFirst().code()).isEqualTo("C1");
  }
}
