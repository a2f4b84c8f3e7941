package yendrik.server.http;

import com.fasterxml.jackson.annotation.JsonTypeInfo;

/**
 * A type of which each part of the server may have variants of its own. A variant says with {@code
 * JsonTypeName} what it is called, and carries that in {@code is}.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "is")
public interface Variant {}
