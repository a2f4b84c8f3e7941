package yendrik.formats.credential;

/** What came of asking at an address that a credential names. */
public sealed interface Place {
  /** Nothing is asked there. */
  record NotAsked() implements Place {}

  /** It did not answer, or with nothing that can be read. */
  record Away() implements Place {}

  /** It says that what was there is there no more. */
  record Gone() implements Place {}

  /** What stands there. */
  record There(byte[] content) implements Place {}
}
