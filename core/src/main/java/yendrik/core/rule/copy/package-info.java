/** Rules that are taken over into another course. */
@NullMarked
package yendrik.core.rule.copy;

import org.jspecify.annotations.NullMarked;
