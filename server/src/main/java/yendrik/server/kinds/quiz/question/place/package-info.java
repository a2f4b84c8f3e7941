/** Questions that a place on a picture answers. */
@NullMarked
package yendrik.server.kinds.quiz.question.place;

import org.jspecify.annotations.NullMarked;
