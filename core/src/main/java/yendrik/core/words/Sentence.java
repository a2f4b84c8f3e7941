package yendrik.core.words;

/**
 * A question of a rule in words; {@link Question} says what each is for.
 *
 * @param subject empty when the rule's own thing is meant
 * @param line subject and statement in one line, for staff
 */
public record Sentence(String subject, String says, String toDo, String did, String line) {}
