package yendrik.bench;

import static org.jooq.impl.DSL.count;
import static org.jooq.impl.DSL.exists;
import static org.jooq.impl.DSL.field;
import static org.jooq.impl.DSL.inline;
import static org.jooq.impl.DSL.name;
import static org.jooq.impl.DSL.noCondition;
import static org.jooq.impl.DSL.select;
import static org.jooq.impl.DSL.selectOne;
import static org.jooq.impl.DSL.table;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Query;
import org.jooq.Record;
import org.jooq.SQLDialect;
import org.jooq.Table;
import org.jooq.impl.DSL;
import org.jooq.impl.SQLDataType;
import yendrik.core.course.Badge;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.check.Rules;
import yendrik.core.strand.marks.MarkLeaf;

/**
 * The rules of a course as statements over all learners at once, each step after those that it asks
 * about: what is done, finished, earned and complete are rows of temporary tables.
 */
final class RulesAsSets implements AutoCloseable {
  private static final Table<Record> LEARNER = table(name("learner"));
  private static final Table<Record> SCORE = table(name("score"));
  private static final Table<Record> DONE = table(name("done"));
  private static final Table<Record> OPEN = table(name("open_module"));
  private static final Table<Record> FINISHED = table(name("finished"));
  private static final Table<Record> EARNED = table(name("earned"));
  private static final List<Table<Record>> RESULTS = List.of(DONE, OPEN, FINISHED, EARNED);
  private static final Field<Integer> ID = field(name("learner", "id"), Integer.class);
  private static final int AT_ONCE = 10_000;
  private final Connection connection;
  private final DSLContext db;
  private final List<Query> rules = new ArrayList<>();

  RulesAsSets(CourseDesign design, String port, double[][] shares) throws SQLException {
    connection =
        DriverManager.getConnection(
            "jdbc:postgresql://127.0.0.1:" + port + "/postgres", "yendrik", "yendrik");
    db = DSL.using(connection, SQLDialect.POSTGRES);
    db.createTemporaryTable(LEARNER)
        .column("id", SQLDataType.INTEGER.notNull())
        .primaryKey("id")
        .execute();
    db.createTemporaryTable(SCORE)
        .column("learner", SQLDataType.INTEGER.notNull())
        .column("thing", SQLDataType.INTEGER.notNull())
        .column("share", SQLDataType.DOUBLE.notNull())
        .primaryKey("thing", "learner")
        .execute();
    for (Table<Record> result : RESULTS)
      db.createTemporaryTable(result)
          .column("learner", SQLDataType.INTEGER.notNull())
          .column("thing", SQLDataType.INTEGER.notNull())
          .primaryKey("thing", "learner")
          .execute();
    fill(shares);
    try (var statement = connection.createStatement()) {
      statement.execute("analyze learner, score");
    }
    translate(design);
  }

  private void fill(double[][] shares) {
    List<Query> rows = new ArrayList<>();
    for (int l = 0; l < shares.length; l++) {
      rows.add(db.insertInto(LEARNER, field(name("id"), Integer.class)).values(inline(l)));
      for (int s = 0; s < shares[l].length; s++)
        if (shares[l][s] >= 0)
          rows.add(
              db.insertInto(
                      SCORE,
                      field(name("learner"), Integer.class),
                      field(name("thing"), Integer.class),
                      field(name("share"), Double.class))
                  .values(inline(l), inline(s + 1), inline(shares[l][s])));
      if (rows.size() > AT_ONCE || l == shares.length - 1) {
        db.batch(rows).execute();
        rows.clear();
      }
    }
  }

  private void translate(CourseDesign design) {
    for (CourseModule module : design.modules()) {
      int m = Math.toIntExact(module.id().value());
      rules.add(put(OPEN, m, condition(module.opensWhen(), design)));
      for (Step step : module.steps())
        rules.add(
            put(
                DONE,
                Math.toIntExact(step.id().value()),
                has(OPEN, m)
                    .and(condition(step.opensWhen(), design))
                    .and(condition(step.doneWhen(), design))));
      rules.add(put(FINISHED, m, condition(Rules.usualModuleDone(module), design)));
    }
    for (Badge badge : design.badges())
      rules.add(
          put(EARNED, Math.toIntExact(badge.id().value()), condition(badge.earnedWhen(), design)));
    rules.add(put(EARNED, 0, condition(Rules.usualCourseComplete(design), design)));
  }

  private Query put(Table<Record> result, int thing, org.jooq.Condition when) {
    return db.insertInto(
            result, field(name("learner"), Integer.class), field(name("thing"), Integer.class))
        .select(select(ID, inline(thing)).from(LEARNER).where(when));
  }

  private static org.jooq.Condition condition(Optional<Condition> rule, CourseDesign design) {
    return rule.map(r -> condition(r, design)).orElse(noCondition());
  }

  private static org.jooq.Condition condition(Condition rule, CourseDesign design) {
    return switch (rule) {
      case Condition.Ask(var _, Leaf.StepDone leaf) -> has(DONE, leaf.step().value());
      case Condition.Ask(var _, Leaf.ModuleDone leaf) -> has(FINISHED, leaf.module().value());
      case Condition.Ask(var _, Leaf.ModuleShare leaf) -> {
        CourseModule module = design.module(leaf.module()).orElseThrow();
        List<Integer> steps =
            module.steps().stream().map(s -> Math.toIntExact(s.id().value())).toList();
        Field<Integer> done =
            field(
                select(count())
                    .from(DONE)
                    .where(
                        of(DONE).eq(ID), thing(DONE).in(steps.stream().map(DSL::inline).toList())));
        yield done.ge(inline((int) Math.ceil(leaf.share() * steps.size() - 1e-9)));
      }
      case Condition.Ask(var _, MarkLeaf.Score leaf) ->
          exists(
              selectOne()
                  .from(SCORE)
                  .where(
                      of(SCORE).eq(ID),
                      thing(SCORE).eq(inline(Math.toIntExact(leaf.step().value()))),
                      field(name("score", "share"), Double.class)
                          .between(inline(leaf.from() - 1e-9), inline(leaf.to()))));
      case Condition.All all ->
          DSL.and(all.parts().stream().map(p -> condition(p, design)).toList());
      case Condition.Any any ->
          DSL.or(any.parts().stream().map(p -> condition(p, design)).toList());
      default -> throw new IllegalArgumentException("not in the large course: " + rule);
    };
  }

  private static org.jooq.Condition has(Table<Record> result, long thing) {
    return exists(
        selectOne()
            .from(result)
            .where(of(result).eq(ID), thing(result).eq(inline(Math.toIntExact(thing)))));
  }

  private static Field<Integer> of(Table<Record> result) {
    return field(result.getQualifiedName().append("learner"), Integer.class);
  }

  private static Field<Integer> thing(Table<Record> result) {
    return field(result.getQualifiedName().append("thing"), Integer.class);
  }

  /**
   * Works all learners out.
   *
   * @return how many steps are done by all of them
   */
  int evaluate() {
    for (Table<Record> result : RESULTS) db.truncate(result).execute();
    rules.forEach(Query::execute);
    return db.fetchCount(DONE);
  }

  @Override
  public void close() throws SQLException {
    connection.close();
  }
}
