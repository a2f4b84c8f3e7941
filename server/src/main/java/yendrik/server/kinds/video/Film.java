package yendrik.server.kinds.video;

/**
 * The film of a step, as it is kept.
 *
 * @param seconds how long it is, rounded down
 */
public record Film(long file, String name, String mediaType, int seconds) {}
