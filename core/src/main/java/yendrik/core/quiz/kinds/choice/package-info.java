/** Questions of which one choice is right. */
@NullMarked
package yendrik.core.quiz.kinds.choice;

import org.jspecify.annotations.NullMarked;
