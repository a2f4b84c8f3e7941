/** What all kinds of questions have in common on the server, and the door to their rooms. */
@NullMarked
package yendrik.server.kinds.quiz.question;

import org.jspecify.annotations.NullMarked;
