package yendrik.server.kinds.quiz.question.gaps;

import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import yendrik.server.kinds.quiz.question.GivenAnswer;

/**
 * What a learner typed into each gap.
 *
 * @param words empty where nothing was
 */
@JsonTypeName("gaps")
public record GapsGiven(@NotNull @Size(max = 200) List<@NotNull @Size(max = 200) String> words)
    implements GivenAnswer {}
