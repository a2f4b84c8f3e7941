/** Badges as drawings. */
@org.jspecify.annotations.NullMarked
package yendrik.formats.badge;
