/** Badges that learners hold: given by hand, revoked, counted. */
@NullMarked
package yendrik.server.award;

import org.jspecify.annotations.NullMarked;
