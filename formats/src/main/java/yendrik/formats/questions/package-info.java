/** Questions as plain text, many at once. */
@NullMarked
package yendrik.formats.questions;

import org.jspecify.annotations.NullMarked;
