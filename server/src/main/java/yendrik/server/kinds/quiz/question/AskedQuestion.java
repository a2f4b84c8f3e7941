package yendrik.server.kinds.quiz.question;

import java.util.List;
import java.util.Optional;

/**
 * A question as a learner is asked it.
 *
 * @param formatted how it looks, where it is more than plain words
 * @param hints those that were asked for
 * @param nextHint what the next one costs, where there is another one
 */
public record AskedQuestion(
    String id,
    String text,
    Optional<String> formatted,
    double points,
    AskedPart part,
    List<WrittenHint> hints,
    Optional<Double> nextHint) {}
