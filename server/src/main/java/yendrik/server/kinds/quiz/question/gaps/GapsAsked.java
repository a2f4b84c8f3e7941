package yendrik.server.kinds.quiz.question.gaps;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.List;
import yendrik.server.kinds.quiz.question.AskedPart;

/**
 * A text with gaps.
 *
 * @param around the words before, between and behind the gaps: one more than there are gaps
 */
@JsonTypeName("gaps")
public record GapsAsked(List<String> around) implements AskedPart {}
