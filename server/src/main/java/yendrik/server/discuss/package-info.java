/** What learners and staff write to each other in discussions and journals. */
@NullMarked
package yendrik.server.discuss;

import org.jspecify.annotations.NullMarked;
