/** Questions that putting together what belongs together answers. */
@NullMarked
package yendrik.core.quiz.kinds.match;

import org.jspecify.annotations.NullMarked;
