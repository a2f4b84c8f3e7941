package yendrik.server.http;

/**
 * What is changed field by field: no address takes it as a whole, and it is described all the same,
 * so that clients know its fields.
 */
public interface ByFields {}
