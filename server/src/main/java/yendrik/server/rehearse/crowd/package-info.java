/** Crowds of made-up learners that walk through a draft. */
@NullMarked
package yendrik.server.rehearse.crowd;

import org.jspecify.annotations.NullMarked;
