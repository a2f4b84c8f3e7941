/** Questions that putting things in order answers. */
@NullMarked
package yendrik.server.kinds.quiz.question.order;

import org.jspecify.annotations.NullMarked;
