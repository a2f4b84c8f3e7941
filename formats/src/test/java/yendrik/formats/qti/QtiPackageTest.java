package yendrik.formats.qti;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.imageio.ImageIO;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.assertj.core.util.DoubleComparator;
import org.junit.jupiter.api.Test;
import yendrik.core.id.RubricId;
import yendrik.core.quiz.Difficulty;
import yendrik.core.quiz.Hint;
import yendrik.core.quiz.Question;
import yendrik.core.quiz.Shown;
import yendrik.core.quiz.kinds.brief.WordsWanted;
import yendrik.core.quiz.kinds.choice.Choices;
import yendrik.core.quiz.kinds.gaps.GapText;
import yendrik.core.quiz.kinds.numeric.NumberWanted;
import yendrik.core.quiz.kinds.open.TextWanted;
import yendrik.core.quiz.kinds.order.OrderWanted;
import yendrik.core.quiz.kinds.place.PlaceWanted;
import yendrik.core.quiz.kinds.place.Pointed;
import yendrik.core.quiz.kinds.several.SeveralChoices;
import yendrik.core.quiz.kinds.statement.Statement;
import yendrik.formats.questions.SomeQuestions;
import yendrik.formats.refused.Unreadable;

class QtiPackageTest {
  private static byte[] zipped(Map<String, byte[]> files) throws IOException {
    var out = new ByteArrayOutputStream();
    try (var zip = new ZipOutputStream(out)) {
      for (var file : files.entrySet()) {
        zip.putNextEntry(new ZipEntry(file.getKey()));
        zip.write(file.getValue());
      }
    }
    return out.toByteArray();
  }

  private static QtiPackage.Reading read(byte[] whole) throws IOException {
    return QtiPackage.read(new ByteArrayInputStream(whole));
  }

  private static QtiPackage.Reading item(String xml) throws IOException {
    return read(xml.getBytes(UTF_8));
  }

  private static byte[] written(QtiQuestion... questions) throws IOException {
    var out = new ByteArrayOutputStream();
    QtiPackage.write(
        List.of(questions), id -> Optional.of(new QtiFile("Photo " + id + ".PNG", picture())), out);
    return out.toByteArray();
  }

  private static byte[] picture() {
    var out = new ByteArrayOutputStream();
    try {
      ImageIO.write(new BufferedImage(200, 100, BufferedImage.TYPE_INT_RGB), "png", out);
    } catch (IOException e) {
      throw new AssertionError(e);
    }
    return out.toByteArray();
  }

  private static QtiQuestion plain(Question question) {
    return new QtiQuestion(question, List.of(), Optional.empty());
  }

  @Provide
  Arbitrary<QtiQuestion> questions() {
    return Combinators.combine(
            SomeQuestions.WORDS,
            Arbitraries.doubles().between(0.1, 99).ofScale(1),
            Arbitraries.of("", "Said afterwards."),
            SomeQuestions.answers(),
            SomeQuestions.words(0),
            Arbitraries.of(Difficulty.class).optional())
        .as((text, points, feedback, asked, tags, difficulty) ->
            new QtiQuestion(
                new Question("q1", text, points, feedback, Optional.empty(), asked),
                tags,
                difficulty));
  }

  @Property(tries = 300)
  void what_is_written_reads_back_as_it_was(@ForAll("questions") QtiQuestion question)
      throws IOException {
    QtiPackage.Reading reading = read(written(question));
    assertThat(reading.notes()).isEmpty();
    QtiQuestion expected = withoutUnit(question);
    assertThat(reading.questions())
        .usingRecursiveComparison()
        .withComparatorForType(new DoubleComparator(1e-9), Double.class)
        .isEqualTo(List.of(expected));
  }

  private static QtiQuestion withoutUnit(QtiQuestion sent) {
    Question q = sent.question();
    if (!(q.asked() instanceof NumberWanted n)) return sent;
    var plain = new NumberWanted(n.number(), n.tolerance(), n.percent(), "");
    return new QtiQuestion(
        new Question(q.id(), q.text(), q.points(), q.feedback(), q.outcome(), plain),
        sent.tags(),
        sent.difficulty());
  }

  @Test
  void pictures_formulas_and_how_words_look_go_along() throws IOException {
    var question =
        new Question(
            "q1",
            new Shown(
                "",
                Optional.of(
                    "<p>Which <strong>force</strong> <span data-formula=\"F=ma\"></span>?"
                        + " <img data-file=\"41\" alt=\"A spoke\"></p>")),
            2,
            "",
            List.of(),
            Optional.empty(),
            new Choices(
                List.of(
                    new Choices.Choice(
                        "a",
                        new Shown("", Optional.of("<img data-file=\"41\" alt=\"Bent\">")),
                        "It pulls."),
                    new Choices.Choice("b", "Straight & true")),
                "b"));
    QtiPackage.Reading reading = read(written(plain(question)));
    assertThat(reading.files()).hasSize(1);
    assertThat(reading.files().getFirst().name()).isEqualTo("41-photo-41.png");
    assertThat(reading.files().getFirst().content()).isEqualTo(picture());
    Question back = reading.questions().getFirst().question();
    assertThat(back.shown().formatted())
        .contains(
            "<p>Which <strong>force</strong> <span data-formula=\"F=ma\"></span>?"
                + " <img data-file=\"1\" alt=\"A spoke\"></p>");
    assertThat(back.text()).isEqualTo("Which force F=ma? [A spoke]");
    Choices choices = (Choices) back.asked();
    assertThat(choices.choices().getFirst().shown().formatted())
        .contains("<img data-file=\"1\" alt=\"Bent\">");
    assertThat(choices.choices().getFirst().feedback()).isEqualTo("It pulls.");
    assertThat(choices.choices().getLast().text()).isEqualTo("Straight & true");
  }

  @Test
  void what_is_chosen_has_names_that_the_standard_allows() throws IOException {
    var question =
        new Question(
            "q1",
            "Which?",
            1,
            "",
            Optional.empty(),
            new Choices(
                List.of(new Choices.Choice("9f b", "This"), new Choices.Choice("true", "That")),
                "9f b"));
    byte[] whole = written(plain(question));
    assertThat(Pack.read(new ByteArrayInputStream(whole)).file("items/item-1.xml"))
        .hasValueSatisfying(
            xml -> assertThat(new String(xml, UTF_8)).contains("identifier=\"c-9f_b\""));
    Choices back = (Choices) read(whole).questions().getFirst().question().asked();
    assertThat(back.choice(back.right()).orElseThrow().text()).isEqualTo("This");
  }

  @Test
  void places_on_a_picture_go_along_to_the_pixel() throws IOException {
    var wanted =
        new PlaceWanted(
            Optional.of(7L),
            "A wheel",
            List.of(
                new PlaceWanted.Area("a", "The hub", 0.4, 0.4, 0.2, 0.2, true),
                new PlaceWanted.Area("b", "The rim", 0, 0.9, 1, 0.1, false)));
    Question question = new Question("q1", "Where?", 3, "", Optional.empty(), wanted);
    QtiPackage.Reading reading = read(written(plain(question)));
    PlaceWanted back = (PlaceWanted) reading.questions().getFirst().question().asked();
    assertThat(back.picture()).contains(1L);
    assertThat(back.described()).isEqualTo("A wheel");
    assertThat(back.areas())
        .extracting(PlaceWanted.Area::called)
        .containsExactly("The hub", "The rim");
    assertThat(back.at(new Pointed(0.41, 0.5)).orElseThrow().called()).isEqualTo("The hub");
    assertThat(back.at(new Pointed(0.41, 0.41))).isEmpty();
    assertThat(back.at(new Pointed(0.01, 0.99)).orElseThrow().called()).isEqualTo("The rim");
  }

  @Test
  void what_a_package_does_not_say_is_said_before() {
    var question =
        new Question(
            "q1",
            Shown.of("In which order?"),
            1,
            "",
            List.of(new Hint("Think.", 0)),
            Optional.empty(),
            new OrderWanted(List.of(), true));
    assertThat(QtiPackage.leaves(List.of(plain(question))))
        .extracting(note -> note.says().key())
        .containsExactly("qti.leaves.hints", "qti.leaves.neighbours");
    var assessed = question.asking(new TextWanted("Names the rim.", Optional.of(new RubricId(3))));
    assertThat(QtiPackage.leaves(List.of(plain(assessed))))
        .extracting(note -> note.says().key())
        .contains("qti.leaves.rubric");
  }

  // --- other versions ---------------------------------------------------------------------------
  private static final String V2 =
      """
      <assessmentItem xmlns="http://www.imsglobal.org/xsd/imsqti_v2p1" identifier="pads"
          title="Pads" adaptive="false" timeDependent="false">
        %s
      </assessmentItem>
      """;

  @Test
  void one_choice_of_version_2_with_feedback_for_each() throws IOException {
    QtiPackage.Reading reading =
        item(
            V2.formatted(
                """
                <responseDeclaration identifier="RESPONSE" cardinality="single"
                    baseType="identifier">
                  <correctResponse><value>TRACK</value></correctResponse>
                </responseDeclaration>
                <outcomeDeclaration identifier="SCORE" cardinality="single" baseType="float"/>
                <outcomeDeclaration identifier="MAXSCORE" cardinality="single" baseType="float">
                  <defaultValue><value>3</value></defaultValue>
                </outcomeDeclaration>
                <itemBody>
                  <p>Look at the <em>rim</em>.</p>
                  <choiceInteraction responseIdentifier="RESPONSE" shuffle="true" maxChoices="1">
                    <prompt>What may a pad touch?</prompt>
                    <simpleChoice identifier="TYRE">The tyre</simpleChoice>
                    <simpleChoice identifier="TRACK" fixed="true">The braking track</simpleChoice>
                  </choiceInteraction>
                </itemBody>
                <responseProcessing
                    template="http://www.imsglobal.org/question/qti_v2p1/rptemplates/match_correct"/>
                <modalFeedback outcomeIdentifier="F" identifier="TYRE" showHide="show"
                  >It cuts.</modalFeedback>
                """));
    Question question = reading.questions().getFirst().question();
    assertThat(question.points()).isEqualTo(3);
    assertThat(question.text()).isEqualTo("Look at the rim.\nWhat may a pad touch?");
    assertThat(question.shown().formatted())
        .contains("<p>Look at the <em>rim</em>.</p><p>What may a pad touch?</p>");
    Choices choices = (Choices) question.asked();
    assertThat(choices.choice(choices.right()).orElseThrow().text()).isEqualTo("The braking track");
    assertThat(choices.choices().getFirst().feedback()).isEqualTo("It cuts.");
    assertThat(keys(reading)).containsExactly("qti.changed.fixed");
  }

  private static List<String> keys(QtiPackage.Reading reading) {
    return reading.notes().stream().map(note -> note.says().key()).toList();
  }

  private static Choices oneChoice(String body) throws IOException {
    return (Choices) item(V2.formatted(body)).questions().getFirst().question().asked();
  }

  @Test
  void what_is_called_true_and_says_yes_is_a_choice() throws IOException {
    Choices choices =
        oneChoice(
            """
            <responseDeclaration identifier="RESPONSE" cardinality="single" baseType="identifier">
              <correctResponse><value>true</value></correctResponse>
            </responseDeclaration>
            <itemBody><choiceInteraction responseIdentifier="RESPONSE" maxChoices="1">
              <prompt>Does it rub?</prompt>
              <simpleChoice identifier="true">Yes</simpleChoice>
              <simpleChoice identifier="false">No</simpleChoice>
            </choiceInteraction></itemBody>
            """);
    assertThat(choices.choice(choices.right()).orElseThrow().text()).isEqualTo("Yes");
  }

  @Test
  void what_is_for_learners_is_shown_and_what_is_for_others_is_not() throws IOException {
    QtiPackage.Reading reading =
        item(
            V2.formatted(
                """
                <itemBody>
                  <rubricBlock view="author candidate"><p>Ten lines.</p></rubricBlock>
                  <rubricBlock view="scorer"><p>Names the rim.</p></rubricBlock>
                  <rubricBlock view="proctor"><p>No phones.</p></rubricBlock>
                  <p>Why does it rub?</p>
                  <extendedTextInteraction responseIdentifier="RESPONSE"/>
                  <feedbackBlock identifier="F" outcomeIdentifier="O" showHide="show"
                    ><p>Well done.</p></feedbackBlock>
                </itemBody>
                """));
    Question question = reading.questions().getFirst().question();
    assertThat(question.text()).isEqualTo("Ten lines.\nWhy does it rub?");
    assertThat(question.asked()).isEqualTo(new TextWanted("Names the rim."));
    assertThat(keys(reading)).containsExactly("qti.changed.said-in-between");
  }

  @Test
  void several_choices_of_version_2_that_count_only_together_count_in_part_here()
      throws IOException {
    QtiPackage.Reading reading =
        item(
            V2.formatted(
                """
                <responseDeclaration identifier="RESPONSE" cardinality="multiple"
                    baseType="identifier">
                  <correctResponse><value>A</value><value>B</value></correctResponse>
                </responseDeclaration>
                <itemBody><choiceInteraction responseIdentifier="RESPONSE" maxChoices="0">
                  <prompt>Which wear?</prompt>
                  <simpleChoice identifier="A">Chains</simpleChoice>
                  <simpleChoice identifier="B">Pads</simpleChoice>
                  <simpleChoice identifier="C">Stems</simpleChoice>
                </choiceInteraction></itemBody>
                """));
    assertThat(((SeveralChoices) reading.questions().getFirst().question().asked()).choices())
        .extracting(SeveralChoices.Choice::share)
        .containsExactly(0.5, 0.5, 0.0);
    assertThat(keys(reading)).containsExactly("qti.changed.in-part");
  }

  @Test
  void gaps_numbers_and_words_of_version_2() throws IOException {
    String declared =
        """
        <responseDeclaration identifier="A" cardinality="single" baseType="string">
          <mapping defaultValue="0"><mapEntry mapKey="rim" mappedValue="1"/>
            <mapEntry mapKey="felloe" mappedValue="0.5"/></mapping>
        </responseDeclaration>
        <responseDeclaration identifier="N" cardinality="single" baseType="float">
          <correctResponse><value>12</value></correctResponse>
        </responseDeclaration>
        """;
    String gap = "<textEntryInteraction responseIdentifier=\"%s\"/>";
    Question gaps =
        item(V2.formatted(
                declared
                    + "<itemBody><p>Fill in.</p><p>The [outer] "
                    + gap.formatted("A")
                    + " at "
                    + gap.formatted("N")
                    + " Nm.</p></itemBody>"))
            .questions()
            .getFirst()
            .question();
    assertThat(gaps.text()).isEqualTo("Fill in.");
    assertThat(gaps.asked()).isEqualTo(new GapText("The [[outer] [rim|felloe] at [12] Nm.", true));
    Question words =
        item(V2.formatted(
                declared
                    + "<itemBody><p>What is outside?</p><div>"
                    + gap.formatted("A")
                    + "</div></itemBody>"))
            .questions()
            .getFirst()
            .question();
    assertThat(words.asked())
        .isEqualTo(
            new WordsWanted(
                List.of(new WordsWanted.Form("rim", 1), new WordsWanted.Form("felloe", 0.5)),
                false));
    Question number =
        item(V2.formatted(
                declared
                    + "<itemBody><p>How tight? "
                    + gap.formatted("N")
                    + " Nm</p></itemBody><responseProcessing><responseCondition><responseIf>"
                    + "<equal toleranceMode=\"relative\" tolerance=\"5 5\"><variable"
                    + " identifier=\"N\"/><correct identifier=\"N\"/></equal><setOutcomeValue"
                    + " identifier=\"SCORE\"><baseValue baseType=\"float\">4</baseValue>"
                    + "</setOutcomeValue></responseIf></responseCondition>"
                    + "</responseProcessing>"))
            .questions()
            .getFirst()
            .question();
    assertThat(number.asked()).isEqualTo(new NumberWanted(12, 5, true, ""));
    assertThat(number.text()).isEqualTo("How tight? … Nm");
    assertThat(number.points()).isEqualTo(4);
  }

  @Test
  void what_cannot_be_asked_here_is_left_out_with_its_reason() throws IOException {
    QtiPackage.Reading upload =
        item(V2.formatted("<itemBody><uploadInteraction responseIdentifier=\"R\"/></itemBody>"));
    assertThat(upload.questions()).isEmpty();
    assertThat(upload.notes()).singleElement().matches(QtiNote::left);
    assertThat(keys(upload)).containsExactly("qti.left.kind");
    assertThat(keys(item(V2.formatted("<itemBody><p>Read.</p></itemBody>"))))
        .containsExactly("qti.left.nothing-asked");
    assertThat(
            keys(
                item(
                    V2.formatted(
                        "<itemBody><choiceInteraction responseIdentifier=\"R\"><prompt>?</prompt>"
                            + "<simpleChoice identifier=\"A\">A</simpleChoice>"
                            + "<simpleChoice identifier=\"B\">B</simpleChoice>"
                            + "</choiceInteraction></itemBody>"))))
        .as("without a right answer")
        .containsExactly("qti.left.lacks");
  }

  // --- what is refused --------------------------------------------------------------------------
  private static void refused(byte[] whole, String key) {
    assertThatThrownBy(() -> read(whole))
        .isInstanceOfSatisfying(
            Unreadable.class,
            e ->
                assertThat(e.faults())
                    .extracting(fault -> fault.key())
                    .containsExactly("qti." + key));
  }

  @Test
  void what_is_no_package_is_refused_with_a_reason() throws IOException {
    refused("hello".getBytes(UTF_8), "broken-xml");
    refused("<html/>".getBytes(UTF_8), "no-zip");
    refused(new byte[0], "broken-xml");
    refused(new byte[] {'P', 'K', 3, 4, 9, 9}, "no-zip");
    refused(zipped(Map.of("a.txt", new byte[1])), "no-manifest");
    refused(zipped(Map.of("imsmanifest.xml", "<manifest>".getBytes(UTF_8))), "broken-xml");
    refused(zipped(Map.of("imsmanifest.xml", "<manifest/>".getBytes(UTF_8))), "no-items");
    byte[] whole =
        written(plain(new Question("q1", "Is it?", 1, "", Optional.empty(), new Statement(true))));
    byte[] half = Arrays.copyOf(whole, whole.length / 3);
    assertThatThrownBy(() -> read(half)).isInstanceOf(Unreadable.class);
  }

  @Test
  void entities_and_document_types_are_refused_and_nothing_is_fetched() {
    refused(
        ("<!DOCTYPE x [<!ENTITY e SYSTEM \"file:///etc/passwd\">]>" + V2.formatted("&e;"))
            .getBytes(UTF_8),
        "broken-xml");
    refused(("<!DOCTYPE x>" + V2.formatted("")).getBytes(UTF_8), "broken-xml");
  }

  @Test
  void paths_that_climb_out_are_refused() throws IOException {
    for (String name : new String[] {"../x.xml", "/etc/x", "a/../../x", "a\\x", "C:/x"})
      refused(zipped(Map.of(name, new byte[1])), "climbs");
  }

  @Test
  void a_picture_that_lies_outside_is_left_out() throws IOException {
    QtiPackage.Reading reading =
        item(
            V2.formatted(
                "<itemBody><p><img src=\"../../../etc/passwd\" alt=\"Rim\"/></p>"
                    + "<extendedTextInteraction responseIdentifier=\"R\"/></itemBody>"));
    assertThat(reading.questions().getFirst().question().text()).isEqualTo("Rim");
    assertThat(reading.files()).isEmpty();
    assertThat(keys(reading)).containsExactly("qti.changed.not-shown");
  }

  /** Zeros without end, that come to almost nothing when they are packed. */
  private static final class Zeros extends InputStream {
    private long left;

    Zeros(long left) {
      this.left = left;
    }

    @Override
    public int read() {
      return left-- > 0 ? 0 : -1;
    }

    @Override
    public int read(byte[] into, int at, int most) {
      if (left <= 0) return -1;
      int now = (int) Math.min(left, most);
      Arrays.fill(into, at, at + now, (byte) 0);
      left -= now;
      return now;
    }
  }

  @Test
  void what_swells_when_it_is_unpacked_is_refused() throws IOException {
    var out = new ByteArrayOutputStream();
    try (var zip = new ZipOutputStream(out)) {
      zip.putNextEntry(new ZipEntry("bomb.xml"));
      new Zeros(Pack.MOST_BYTES + 1).transferTo(zip);
    }
    assertThat(out.size()).isLessThan(1 << 20);
    refused(out.toByteArray(), "too-large");
    byte[] longest = new byte[Pack.MOST_XML + 1];
    refused(zipped(Map.of("imsmanifest.xml", longest)), "xml-too-large");
    Map<String, byte[]> many = new LinkedHashMap<>();
    for (int n = 0; n <= Pack.MOST_FILES; n++) many.put("f" + n, new byte[0]);
    refused(zipped(many), "too-many-files");
  }
}
