package yendrik.core.id;

import java.io.Serializable;

/** The number by which something is known. Each kind of thing has a type of its own. */
public sealed interface Id extends Serializable
    permits BadgeId,
        CourseId,
        EnrolmentId,
        FactId,
        FlagId,
        GroupId,
        ModuleId,
        OutcomeId,
        PersonId,
        PostId,
        QuestionId,
        RehearsalId,
        RubricId,
        ScaleId,
        SessionId,
        StatusId,
        StepId {

  /** The number, from 1 on. */
  long value();
}
