package yendrik.server.post;

import java.util.Optional;
import yendrik.core.id.CourseId;
import yendrik.core.id.PersonId;

/**
 * What is written to somebody.
 *
 * @param course that it is about; a letter about an account is about none
 * @param from who wrote it and is answered; nobody where the institution writes by itself
 * @param link whether {@link #LINK} in the body becomes a link by which the recipient sets a
 *     password
 * @param answers the letter that this one answers
 */
public record Letter(
    Optional<CourseId> course,
    Optional<PersonId> from,
    PersonId to,
    String subject,
    String body,
    boolean link,
    Optional<Long> answers) {
  /** Where the link stands in a body that has one. */
  public static final String LINK = "{link}";

  /** A letter in a course. */
  public static Letter of(
      CourseId course, PersonId from, PersonId to, String subject, String body) {
    return new Letter(
        Optional.of(course),
        Optional.of(from),
        to,
        subject,
        body,
        /* link= */ false,
        Optional.empty());
  }

  /** A letter by which somebody gets at their account. */
  public static Letter withLink(Optional<PersonId> from, PersonId to, String subject, String body) {
    return new Letter(
        Optional.empty(), from, to, subject, body, /* link= */ true, Optional.empty());
  }

  public Letter answering(Optional<Long> letter) {
    return new Letter(course, from, to, subject, body, link, letter);
  }
}
