package yendrik.core.rehearse;

/** Why something cannot happen to a made-up learner where they are. */
public enum Cannot {
  /** The step is closed, or something that it needs is. */
  CLOSED,
  /** The step is not published, or not for them. */
  NOT_THERE,
  /** No attempt is left. */
  NO_ATTEMPT,
  /** Such a thing never comes from a step of that kind. */
  NOT_OF_ITS_KIND,
  /** The time for it is over. */
  TOO_LATE,
  /** It would have to happen too often, or to last too long, to be played. */
  TOO_MUCH,
  /** It does not come about by anything that happens in a course. */
  BY_NOTHING,
  /** The design does not have it any more. */
  GONE
}
