/** Questions that a place on a picture answers. */
@NullMarked
package yendrik.core.quiz.kinds.place;

import org.jspecify.annotations.NullMarked;
