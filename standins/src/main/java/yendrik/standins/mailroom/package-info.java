@NullMarked
package yendrik.standins.mailroom;

import org.jspecify.annotations.NullMarked;
