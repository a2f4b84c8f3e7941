/** Questions that a few words answer. */
@NullMarked
package yendrik.core.quiz.kinds.brief;

import org.jspecify.annotations.NullMarked;
