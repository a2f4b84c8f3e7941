/** Many random learners who walk through a course at once. */
@NullMarked
package yendrik.core.rehearse.crowd;

import org.jspecify.annotations.NullMarked;
