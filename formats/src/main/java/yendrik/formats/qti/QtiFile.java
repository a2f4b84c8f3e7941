package yendrik.formats.qti;

/**
 * A file that a question shows.
 *
 * @param name as people call it
 */
@SuppressWarnings("ArrayRecordComponent") // read once, and never compared
public record QtiFile(String name, byte[] content) {}
