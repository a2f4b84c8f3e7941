/** Certificates: their register, what stands on them, and checking them. */
@org.jspecify.annotations.NullMarked
package yendrik.server.certificate;
