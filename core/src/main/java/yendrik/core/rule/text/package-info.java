/** Rules as text that can be read, kept anywhere, changed by hand, and read back. */
@NullMarked
package yendrik.core.rule.text;

import org.jspecify.annotations.NullMarked;
