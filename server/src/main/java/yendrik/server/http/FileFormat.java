package yendrik.server.http;

/**
 * A format in which something can be had as a file.
 *
 * @param name what stands in the address
 * @param title what people call it
 */
public record FileFormat(String name, String title) {}
