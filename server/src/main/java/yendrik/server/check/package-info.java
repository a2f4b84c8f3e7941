/** What is wrong with a draft, why, and what would mend it. */
@NullMarked
package yendrik.server.check;

import org.jspecify.annotations.NullMarked;
