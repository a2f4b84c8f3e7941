package yendrik.formats.json;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.ArrayList;
import java.util.List;
import java.util.function.LongFunction;
import java.util.function.ToLongFunction;
import java.util.regex.Pattern;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JacksonModule;
import tools.jackson.databind.KeyDeserializer;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.cfg.DateTimeFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.jsontype.NamedType;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.Refusal;
import yendrik.core.course.Counts;
import yendrik.core.course.StepKind;
import yendrik.core.course.Validity;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.FactId;
import yendrik.core.id.FlagId;
import yendrik.core.id.GroupId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.PersonId;
import yendrik.core.id.PostId;
import yendrik.core.id.QuestionId;
import yendrik.core.id.RehearsalId;
import yendrik.core.id.RubricId;
import yendrik.core.id.ScaleId;
import yendrik.core.id.SessionId;
import yendrik.core.id.StatusId;
import yendrik.core.id.StepId;
import yendrik.core.kind.Strands;
import yendrik.core.outcome.Composition;
import yendrik.core.outcome.LevelMethod;
import yendrik.core.quiz.Difficulty;
import yendrik.core.record.Fact;
import yendrik.core.record.Strand;
import yendrik.core.record.Sums;
import yendrik.core.rehearse.Line;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.NodeId;
import yendrik.core.rule.RuleAt;
import yendrik.core.strand.work.Judgement;

/**
 * Core's records as JSON (RFC 8259), the form in which designs, rules and facts are kept. Ids are
 * numbers, moments ISO 8601, and a variant of a sealed type carries its name in {@code is}:
 *
 * <pre>{"is":"ask","id":"n1","leaf":{"is":"score","step":7,"from":0.6,"to":1}}</pre>
 */
public final class CoreJson {
  private CoreJson() {}

  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "is")
  private interface Variant {}

  private static final JsonMapper MAPPER =
      JsonMapper.builder()
          .addModule(module())
          .changeDefaultPropertyInclusion(i -> i.withValueInclusion(JsonInclude.Include.NON_ABSENT))
          .enable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
          .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
          .disable(DateTimeFeature.WRITE_DATES_AS_TIMESTAMPS)
          .build();

  /** Leaves out every field that is nothing, and reads what was left out as nothing. */
  private static final JsonMapper LEAN =
      MAPPER
          .rebuild()
          .changeDefaultPropertyInclusion(
              i -> i.withValueInclusion(JsonInclude.Include.NON_DEFAULT))
          .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
          .build();

  /** Sums of a record in a short form. */
  public static String write(Sums sums) {
    return LEAN.writeValueAsString(sums);
  }

  /** Reads what {@link #write} wrote. */
  public static Sums sums(String json) {
    return LEAN.readValue(json, Sums.class);
  }

  /** The one mapper; safe for use by several threads. */
  public static JsonMapper mapper() {
    return MAPPER;
  }

  /**
   * The name of a variant in {@code is}: "score", "module-done".
   *
   * @throws IllegalStateException if none was given to it
   */
  public static String name(Class<?> variant) {
    String name = StoredNames.ALL.get(variant);
    if (name == null) throw new IllegalStateException(variant + " has no name to be stored under");
    return name;
  }

  /**
   * The name under which one of a few words is stored: "PRACTICAL".
   *
   * @throws IllegalStateException if none was given to it
   */
  public static String name(Enum<?> word) {
    String name = StoredNames.WORDS.get(word);
    if (name == null) throw new IllegalStateException(word + " has no name to be stored under");
    return name;
  }

  /**
   * The word of a stored name.
   *
   * @throws Refusal if no word was ever stored under it
   */
  public static <E extends Enum<E>> E word(Class<E> type, String name) {
    for (E word : type.getEnumConstants()) if (name(word).equals(name)) return word;
    throw new Refusal("not-stored", "type", type.getSimpleName(), "name", name);
  }

  /**
   * Reads a fact as it was stored, in whatever form that was.
   *
   * @param name what is stored as its kind
   * @param body its fields
   */
  public static Fact.What fact(String name, ObjectNode body) {
    ObjectNode now = Upcasters.fact(name, body);
    now.put("is", name);
    return MAPPER.treeToValue(now, Fact.What.class);
  }

  private static JacksonModule module() {
    var module = new SimpleModule("yendrik-core");
    id(module, CourseId.class, CourseId::new, CourseId::value);
    id(module, ModuleId.class, ModuleId::new, ModuleId::value);
    id(module, StepId.class, StepId::new, StepId::value);
    id(module, OutcomeId.class, OutcomeId::new, OutcomeId::value);
    id(module, ScaleId.class, ScaleId::new, ScaleId::value);
    id(module, BadgeId.class, BadgeId::new, BadgeId::value);
    id(module, GroupId.class, GroupId::new, GroupId::value);
    id(module, QuestionId.class, QuestionId::new, QuestionId::value);
    id(module, RubricId.class, RubricId::new, RubricId::value);
    id(module, SessionId.class, SessionId::new, SessionId::value);
    id(module, StatusId.class, StatusId::new, StatusId::value);
    id(module, PersonId.class, PersonId::new, PersonId::value);
    id(module, PostId.class, PostId::new, PostId::value);
    id(module, FlagId.class, FlagId::new, FlagId::value);
    id(module, RehearsalId.class, RehearsalId::new, RehearsalId::value);
    id(module, FactId.class, FactId::new, FactId::value);
    id(module, EnrolmentId.class, EnrolmentId::new, EnrolmentId::value);
    node(module);
    word(module, StepKind.class);
    word(module, Counts.class);
    word(module, Difficulty.class);
    word(module, Judgement.class);
    word(module, Fact.Grant.class);
    for (Class<?> sealed :
        List.of(
            Condition.class,
            Leaf.class,
            Fact.What.class,
            RuleAt.class,
            Line.class,
            LevelMethod.class,
            Validity.Lasting.class,
            Composition.How.class)) {
      module.setMixInAnnotation(sealed, Variant.class);
      for (Class<?> variant : variants(sealed))
        module.registerSubtypes(new NamedType(variant, name(variant)));
    }
    module.setMixInAnnotation(Strand.Kept.class, Variant.class);
    for (Strand.Door<?> strand : Strands.ALL)
      module.registerSubtypes(new NamedType(strand.kept(), name(strand.kept())));
    return module;
  }

  static List<Class<?>> variants(Class<?> sealed) {
    List<Class<?>> all = new ArrayList<>();
    for (Class<?> permitted : sealed.getPermittedSubclasses()) {
      if (permitted == Fact.OfStrand.class) all.addAll(Strands.facts().values());
      else if (permitted == Leaf.OfStrand.class) all.addAll(Strands.leaves().values());
      else if (permitted.isSealed()) all.addAll(variants(permitted));
      else all.add(permitted);
    }
    return all;
  }

  private static <E extends Enum<E>> void word(SimpleModule module, Class<E> type) {
    module.addSerializer(
        type,
        new ValueSerializer<>() {
          @Override
          public void serialize(E word, JsonGenerator out, SerializationContext context)
              throws JacksonException {
            out.writeString(name(word));
          }
        });
    module.addDeserializer(
        type,
        new ValueDeserializer<>() {
          @Override
          public E deserialize(JsonParser in, DeserializationContext context)
              throws JacksonException {
            return word(type, in.getString());
          }
        });
  }

  private static void node(SimpleModule module) {
    module.addSerializer(
        NodeId.class,
        new ValueSerializer<>() {
          @Override
          public void serialize(NodeId id, JsonGenerator out, SerializationContext context)
              throws JacksonException {
            out.writeString(id.value());
          }
        });
    module.addDeserializer(
        NodeId.class,
        new ValueDeserializer<>() {
          @Override
          public NodeId deserialize(JsonParser in, DeserializationContext context)
              throws JacksonException {
            return new NodeId(in.getString());
          }
        });
  }

  /** From 1 on, and small enough for a long. */
  private static final Pattern NUMBER = Pattern.compile("[1-9][0-9]{0,17}");

  private static <I> void id(
      SimpleModule module, Class<I> type, LongFunction<I> make, ToLongFunction<I> value) {
    module.addSerializer(
        type,
        new ValueSerializer<>() {
          @Override
          public void serialize(I id, JsonGenerator out, SerializationContext context)
              throws JacksonException {
            out.writeNumber(value.applyAsLong(id));
          }
        });
    module.addKeySerializer(
        type,
        new ValueSerializer<>() {
          @Override
          public void serialize(I id, JsonGenerator out, SerializationContext context)
              throws JacksonException {
            out.writeName(Long.toString(value.applyAsLong(id)));
          }
        });
    module.addDeserializer(
        type,
        new ValueDeserializer<>() {
          @Override
          public I deserialize(JsonParser in, DeserializationContext context)
              throws JacksonException {
            if (in.currentToken() != JsonToken.VALUE_NUMBER_INT
                || in.getNumberType() == JsonParser.NumberType.BIG_INTEGER
                || in.getLongValue() < 1) throw new Refusal("no-id");
            return make.apply(in.getLongValue());
          }
        });
    module.addKeyDeserializer(
        type,
        new KeyDeserializer() {
          @Override
          public Object deserializeKey(String key, DeserializationContext context)
              throws JacksonException {
            if (!NUMBER.matcher(key).matches()) throw new Refusal("no-id");
            return make.apply(Long.parseLong(key));
          }
        });
  }
}
