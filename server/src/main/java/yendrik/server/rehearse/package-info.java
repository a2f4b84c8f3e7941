/** Rehearsals: what happens to a made-up learner in a draft, and what is expected of it. */
@NullMarked
package yendrik.server.rehearse;

import org.jspecify.annotations.NullMarked;
