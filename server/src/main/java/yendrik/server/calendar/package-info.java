/** A learner's dates, here and in the calendar that they have elsewhere. */
@NullMarked
package yendrik.server.calendar;

import org.jspecify.annotations.NullMarked;
