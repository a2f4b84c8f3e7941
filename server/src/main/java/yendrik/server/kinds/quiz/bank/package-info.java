/** Questions that any quiz of a course can ask, and the institution's shelf of them. */
@NullMarked
package yendrik.server.kinds.quiz.bank;

import org.jspecify.annotations.NullMarked;
