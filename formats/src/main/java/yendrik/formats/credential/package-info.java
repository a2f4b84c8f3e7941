/** Badges as credentials that anybody can check: Open Badges, verifiable credentials. */
@NullMarked
package yendrik.formats.credential;

import org.jspecify.annotations.NullMarked;
