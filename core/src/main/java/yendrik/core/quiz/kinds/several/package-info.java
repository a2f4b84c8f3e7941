/** Questions of which several choices may be right. */
@NullMarked
package yendrik.core.quiz.kinds.several;

import org.jspecify.annotations.NullMarked;
