/** Formatted text that people write outside of a course's design. */
@org.jspecify.annotations.NullMarked
package yendrik.server.texts;
