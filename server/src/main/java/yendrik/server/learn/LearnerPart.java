package yendrik.server.learn;

import yendrik.server.http.Variant;

/** What learners see of a step beyond what all kinds have; each kind has its own. */
public interface LearnerPart extends Variant {}
