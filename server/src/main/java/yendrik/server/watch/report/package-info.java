/** Reports about the learners of a course: a class and a view each. */
@NullMarked
package yendrik.server.watch.report;

import org.jspecify.annotations.NullMarked;
