package yendrik.server.http;

import java.lang.reflect.RecordComponent;
import java.math.BigDecimal;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.validation.DirectFieldBindingResult;
import org.springframework.validation.SmartValidator;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Changes some fields of a thing and leaves the rest as it stands, so that two people can work on
 * it at once.
 */
@Component
public class FieldChanges {
  /** Equal but for how a number is written: 1 and 1.0 are the same. */
  private static final Comparator<JsonNode> ALIKE =
      (one, other) -> {
        if (!one.isNumber() || !other.isNumber()) return one.equals(other) ? 0 : 1;
        return decimal(one).compareTo(decimal(other));
      };

  private final JsonMapper json;
  private final SmartValidator validator;

  FieldChanges(JsonMapper json, SmartValidator validator) {
    this.json = json;
    this.validator = validator;
  }

  private static BigDecimal decimal(JsonNode number) {
    return new BigDecimal(number.asString());
  }

  /**
   * What a thing is to be.
   *
   * @param present the thing as it stands, which nobody else changes meanwhile
   * @param now what somebody is told who has not seen it so
   * @return the thing with its fields changed, checked like one that is sent as a whole; where it
   *     is so already, as when the answer to the first asking was lost, the thing as it stands
   * @throws Problem if the fields are not what was seen
   */
  public <E extends Record> E apply(E present, FieldsEdit edit, Supplier<?> now) {
    Set<String> names = new HashSet<>(edit.from().keySet());
    names.addAll(edit.to().keySet());
    known(present.getClass(), names);
    ObjectNode stands = json.valueToTree(present);
    E made = read(present, stands, names, edit.to());
    if (stands.equals(ALIKE, json.valueToTree(made))) return present;
    ObjectNode seen = json.valueToTree(read(present, stands, names, edit.from()));
    if (!stands.equals(ALIKE, seen)) throw Problem.changed(now.get());
    var faults = new DirectFieldBindingResult(made, "");
    validator.validate(made, faults);
    if (faults.hasErrors()) throw new InvalidFields(faults.getFieldErrors());
    return made;
  }

  private static void known(Class<?> type, Set<String> names) {
    Set<String> all =
        Arrays.stream(type.getRecordComponents())
            .map(RecordComponent::getName)
            .collect(Collectors.toSet());
    for (String name : names)
      if (!all.contains(name)) throw Problem.field(name, "no-such-field", "field", name);
  }

  @SuppressWarnings("unchecked")
  private <E> E read(E like, ObjectNode stands, Set<String> names, Map<String, Object> fields) {
    ObjectNode tree = stands.deepCopy();
    for (String name : names) {
      if (fields.containsKey(name)) tree.set(name, json.valueToTree(fields.get(name)));
      else tree.remove(name);
    }
    try {
      return (E) json.treeToValue(tree, like.getClass());
    } catch (JacksonException e) {
      throw Problem.unreadable(e);
    }
  }
}
