package yendrik.server.discuss;

import yendrik.server.design.Content;

/** What is kept of a step in which people write. */
public interface Written extends Content {
  Manner manner();
}
