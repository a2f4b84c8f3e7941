/** Certificates on paper. */
@org.jspecify.annotations.NullMarked
package yendrik.formats.certificate;
