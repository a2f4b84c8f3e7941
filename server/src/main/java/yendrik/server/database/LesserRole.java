package yendrik.server.database;

import static org.jooq.impl.DSL.currentUser;
import static org.jooq.impl.DSL.exists;
import static org.jooq.impl.DSL.field;
import static org.jooq.impl.DSL.function;
import static org.jooq.impl.DSL.inline;
import static org.jooq.impl.DSL.name;
import static org.jooq.impl.DSL.selectOne;
import static org.jooq.impl.DSL.table;
import static yendrik.schema.Tables.FACT;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Table;
import org.jooq.impl.DSL;
import org.springframework.beans.factory.InitializingBean;
import org.springframework.boot.sql.init.dependency.DependsOnDatabaseInitialization;
import org.springframework.stereotype.Component;

/**
 * Refuses to start as a role of the database that may do more than read and write rows: whoever got
 * hold of the running application could take the database with it.
 */
@Component
@DependsOnDatabaseInitialization
class LesserRole implements InitializingBean {
  private static final String PUBLIC = "public";
  private static final Table<?> ROLES = table(name("pg_roles"));
  private static final Table<?> TABLES = table(name("pg_tables"));
  private static final Field<String> ROLE = field(name("rolname"), String.class);
  private static final Field<String> OWNER = field(name("tableowner"), String.class);
  private static final Field<String> SCHEMA = field(name("schemaname"), String.class);
  private final DSLContext db;

  LesserRole(DSLContext db) {
    this.db = db;
  }

  /** What is too much, as it is said of the role. */
  private static Map<String, Condition> tooMuch() {
    Map<String, Condition> much = new LinkedHashMap<>();
    much.put("is a superuser", has("rolsuper"));
    much.put("may make roles", has("rolcreaterole"));
    much.put("may make databases", has("rolcreatedb"));
    much.put("may replicate", has("rolreplication"));
    much.put("passes row security", has("rolbypassrls"));
    much.put(
        "owns tables",
        exists(
            selectOne()
                .from(TABLES)
                .where(SCHEMA.eq(PUBLIC), may("pg_has_role", OWNER, inline("MEMBER")))));
    much.put("may make tables", may("has_schema_privilege", inline(PUBLIC), inline("CREATE")));
    much.put(
        "may empty tables", may("has_table_privilege", inline(FACT.getName()), inline("TRUNCATE")));
    much.put(
        "may rewrite facts",
        may(
            "has_column_privilege",
            inline(FACT.getName()),
            inline(FACT.AT.getName()),
            inline("UPDATE")));
    return much;
  }

  private static Condition has(String right) {
    return exists(
        selectOne()
            .from(ROLES)
            .where(ROLE.eq(currentUser()), field(name(right), Boolean.class).isTrue()));
  }

  private static Condition may(String asks, Field<?>... about) {
    return function(asks, Boolean.class, about).isTrue();
  }

  @Override
  public void afterPropertiesSet() {
    Map<String, Condition> much = tooMuch();
    var row = db.select(much.values().stream().map(DSL::field).toList()).fetchSingle();
    List<String> says = List.copyOf(much.keySet());
    List<String> rights =
        says.stream().filter(say -> Boolean.TRUE.equals(row.get(says.indexOf(say)))).toList();
    if (!rights.isEmpty())
      throw new TooManyRights(db.select(currentUser()).fetchSingle().value1(), rights);
  }
}
