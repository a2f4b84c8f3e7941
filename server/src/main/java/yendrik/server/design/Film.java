package yendrik.server.design;

/**
 * The film of a step.
 *
 * @param seconds how long it is, rounded down
 */
public record Film(long file, String name, String mediaType, int seconds) {}
