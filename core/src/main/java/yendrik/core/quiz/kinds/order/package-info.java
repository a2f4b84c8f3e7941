/** Questions that putting things in order answers. */
@NullMarked
package yendrik.core.quiz.kinds.order;

import org.jspecify.annotations.NullMarked;
