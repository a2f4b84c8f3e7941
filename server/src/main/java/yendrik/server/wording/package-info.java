/** What learners are told at the moments that matter, and the look of the institution. */
@NullMarked
package yendrik.server.wording;

import org.jspecify.annotations.NullMarked;
