package yendrik.server.people;

/** What an endpoint asks of whoever calls it. */
public enum Right {
  /** Anybody, signed in or not. */
  ANYBODY,
  SIGNED_IN,
  /** An administrator of the installation. */
  ADMINISTER,
  /** An administrator, or a designer who may make courses. */
  MAKE_COURSES,
  /** A learner of the course, or staff walking it as a made-up learner. */
  LEARN,
  /** A designer of the course. */
  PLAN,
  /** Any staff of the course; support teachers see and act on their group only. */
  TEACH,
  /** Staff who see every learner: they plan when the course meets, and make its groups. */
  SCHEDULE
}
