/** What was put right about questions after they were asked. */
@NullMarked
package yendrik.server.kinds.quiz.correction;

import org.jspecify.annotations.NullMarked;
