/** How a quiz is taken: its clock, its pages, what is looked at again and when. */
@NullMarked
package yendrik.core.quiz.taking;

import org.jspecify.annotations.NullMarked;
