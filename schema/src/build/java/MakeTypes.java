import static java.util.Map.entry;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.sql.DriverManager;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import org.flywaydb.core.Flyway;
import org.jooq.codegen.GenerationTool;
import org.jooq.meta.jaxb.Configuration;
import org.jooq.meta.jaxb.Database;
import org.jooq.meta.jaxb.ForcedType;
import org.jooq.meta.jaxb.Generate;
import org.jooq.meta.jaxb.Generator;
import org.jooq.meta.jaxb.Jdbc;
import org.jooq.meta.jaxb.Target;

/**
 * Migrates a throw-away database and makes jOOQ's types from it, unless the migrations are
 * unchanged.
 */
public class MakeTypes {
  public static void main(String[] args) throws Exception {
    Path migrations = Path.of(args[0]);
    Path target = Path.of(args[1]);
    String port = args[2];
    Path stamp = target.resolve("made-from");
    String hash = hash(migrations);
    if (Files.exists(stamp) && Files.readString(stamp).equals(hash)) return;
    String name = "yendrik_types_" + ProcessHandle.current().pid();
    String server = "jdbc:postgresql://127.0.0.1:" + port + "/";
    try (var connection = DriverManager.getConnection(server + "postgres", "yendrik", "yendrik");
        var statement = connection.createStatement()) {
      statement.execute("create database " + name);
      try {
        make(server + name, migrations, target);
      } finally {
        statement.execute("drop database " + name + " with (force)");
      }
    } catch (java.sql.SQLException e) {
      System.err.println(
          "No PostgreSQL answers on 127.0.0.1:"
              + port
              + " ("
              + e.getMessage()
              + ").\n"
              + "Build with ./yendrik build, which starts one.");
      System.exit(1);
    }
    Files.writeString(stamp, hash);
  }

  private static void make(String url, Path migrations, Path target) throws Exception {
    Flyway.configure()
        .dataSource(url, "yendrik", "yendrik")
        .locations("filesystem:" + migrations)
        .load()
        .migrate();
    GenerationTool.generate(
        new Configuration()
            .withLogging(org.jooq.meta.jaxb.Logging.WARN)
            .withJdbc(new Jdbc().withUrl(url).withUser("yendrik").withPassword("yendrik"))
            .withGenerator(
                new Generator()
                    .withDatabase(
                        new Database()
                            .withName("org.jooq.meta.postgres.PostgresDatabase")
                            .withInputSchema("public")
                            .withExcludes("flyway_schema_history|fact_[0-9]+|fact_other")
                            .withRecordVersionFields(
                                "public\\.(outcome|module|step|badge|scale|rubric|session|rehearsal)\\.version")
                            .withForcedTypes(forcedTypes()))
                    .withGenerate(
                        new Generate().withPojos(false).withDaos(false).withJavaTimeTypes(true))
                    .withTarget(
                        new Target()
                            .withPackageName("yendrik.schema")
                            .withDirectory(target.toString()))));
  }

  /** By which columns something is known, by the type of its id. */
  private static final Map<String, String> IDS =
      Map.ofEntries(
          entry(
              "PersonId",
              "person\\.id|(.*\\.)?(person_id|by_id|sender_id|recipient_id)|.*\\.(published_by|uploaded_by|shelved_by|removed_by|changed_by|taken_back_by|asked_by|given_by_id|made_by_id)"),
          entry("CourseId", "course\\.id|.*\\.course_id|question\\.shelved_from"),
          entry("EnrolmentId", "enrolment\\.id|.*\\.(enrolment_id|journal_of)"),
          entry("GroupId", "learner_group\\.id|.*\\.group_id"),
          entry("StepId", "step\\.id|.*\\.step_id"),
          entry("ModuleId", "module\\.id|.*\\.module_id"),
          entry("OutcomeId", "outcome\\.(id|adopted_from)|.*\\.outcome_id"),
          entry("ScaleId", "scale\\.(id|adopted_from)|.*\\.scale_id"),
          entry("BadgeId", "badge\\.id|.*\\.badge_id"),
          entry("FlagId", "flag\\.id"),
          entry("RehearsalId", "rehearsal\\.id"),
          entry("RubricId", "rubric\\.id|.*\\.rubric_id"),
          entry("QuestionId", "question\\.id|.*\\.question_id"),
          entry("SessionId", "session\\.id"),
          entry("PostId", "post\\.(id|in_reply_to)|.*\\.post_id|thread_read\\.upto"),
          entry("FactId", "fact\\.(id|replaces)|.*\\.fact_id"));

  private static List<ForcedType> forcedTypes() {
    List<ForcedType> types = new ArrayList<>();
    types.add(
        new ForcedType()
            .withName("INSTANT")
            .withIncludeTypes("timestamptz|timestamp with time zone"));
    JSON.forEach((columns, type) -> types.add(json(columns, type, "of", type)));
    types.add(
        new ForcedType()
            .withUserType("yendrik.core.quiz.taking.Spent")
            .withConverter("yendrik.schema.Stored.whole(yendrik.core.quiz.taking.Spent.class)")
            .withIncludeExpression("public\\.attempt\\.spent"));
    LISTS.forEach(
        (columns, type) -> types.add(json(columns, "java.util.List<" + type + ">", "list", type)));
    types.add(
        new ForcedType()
            .withUserType("yendrik.core.course.StepKind")
            .withConverter("yendrik.schema.Stored.word(yendrik.core.course.StepKind.class)")
            .withIncludeExpression("public\\.step\\.kind"));
    types.add(
        new ForcedType()
            .withUserType("yendrik.core.course.Counts")
            .withConverter("yendrik.schema.Stored.word(yendrik.core.course.Counts.class)")
            .withIncludeExpression("public\\.(step|quiz_settings)\\.counts"));
    types.add(
        new ForcedType()
            .withUserType("yendrik.core.quiz.Difficulty")
            .withConverter("yendrik.schema.Stored.word(yendrik.core.quiz.Difficulty.class)")
            .withIncludeExpression("public\\.question\\.difficulty"));
    IDS.forEach((type, columns) -> types.add(id("yendrik.core.id." + type, columns)));
    return types;
  }

  private static final Map<String, String> JSON =
      Map.of(
          ".*\\.(opens|done|earned|flag|complete)_when", "yendrik.core.rule.Condition",
          "outcome\\.level_rule", "yendrik.core.outcome.LevelRule",
          "outcome\\.made_of", "yendrik.core.outcome.Composition",
          "step\\.audience", "yendrik.core.course.Step.Audience",
          "quiz_settings\\.taking", "yendrik.core.quiz.taking.Taking",
          ".*\\.own_words", "yendrik.core.words.OwnWords",
          "institution\\.look", "yendrik.core.look.Look",
          "course\\.prerequisites", "yendrik.core.course.Prerequisites",
          "badge\\.validity", "yendrik.core.course.Validity");

  private static final Map<String, String> LISTS =
      Map.of(
          "scale\\.levels", "yendrik.core.outcome.Scale.Level",
          "outcome\\.group_path", "String",
          "rubric\\.criteria", "yendrik.core.rubric.Rubric.Criterion",
          "attempt\\.settled", "String",
          "attempt\\.hints", "String",
          "question\\.tags", "String",
          "step\\.ties", "yendrik.core.course.Step.Tie",
          "rehearsal\\.lines", "yendrik.core.rehearse.Line",
          "step\\.allowances", "yendrik.core.course.Step.Allowance");

  private static ForcedType json(String columns, String type, String how, String of) {
    return new ForcedType()
        .withUserType(type)
        .withConverter("yendrik.schema.Stored.%s(%s.class)".formatted(how, of))
        .withIncludeExpression("public\\.(" + columns + ")")
        .withIncludeTypes("jsonb");
  }

  private static ForcedType id(String type, String columns) {
    return new ForcedType()
        .withUserType(type)
        .withConverter(
            "org.jooq.Converter.ofNullable(Long.class, %1$s.class, %1$s::new, %1$s::value)"
                .formatted(type))
        .withIncludeExpression("public\\.(" + columns + ")")
        .withIncludeTypes("int8|bigint");
  }

  private static String hash(Path migrations) throws Exception {
    var digest = MessageDigest.getInstance("SHA-256");
    List<Path> files;
    try (var list = Files.list(migrations)) {
      files = list.sorted().toList();
    }
    for (Path file : files) digest.update(Files.readAllBytes(file));
    digest.update("12".getBytes(StandardCharsets.UTF_8));
    return HexFormat.of().formatHex(digest.digest());
  }
}
