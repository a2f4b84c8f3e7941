package yendrik.server.post;

import yendrik.core.id.PersonId;

/** Makes links that stand in letters. */
public interface Links {
  /** The address at which somebody sets a password, good once and for a while. */
  String toSetPassword(PersonId person);
}
