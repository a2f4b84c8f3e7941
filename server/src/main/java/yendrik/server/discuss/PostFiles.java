package yendrik.server.discuss;

import yendrik.server.files.Accepts;
import yendrik.server.files.FileUse;
import yendrik.server.http.Problem;

/** Files that stand under what somebody writes. */
enum PostFiles implements Accepts {
  ANY;

  /** How many stand under one post. */
  static final int MOST = 10;

  private static final long BYTES = 50L << 20;

  @Override
  public long most() {
    return BYTES;
  }

  @Override
  public boolean fits(String mediaType) {
    return FileUse.DOCUMENT.fits(mediaType);
  }

  @Override
  public Problem refusal(String name, String mediaType) {
    return FileUse.DOCUMENT.refusal(name, mediaType);
  }
}
