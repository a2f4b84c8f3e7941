package yendrik.server.kinds.practical;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.Optional;
import yendrik.server.design.RubricForms;
import yendrik.server.learn.LearnerPart;

/**
 * What learners see of a practical.
 *
 * @param signedOff what staff wrote who signed it off
 */
@JsonTypeName("practical")
public record PracticalShown(
    Optional<RubricForms.Sheet> rubric,
    Optional<RubricForms.Filled> assessed,
    Optional<String> signedOff)
    implements LearnerPart {}
