/** Dates as other calendars read them. */
@NullMarked
package yendrik.formats.calendar;

import org.jspecify.annotations.NullMarked;
