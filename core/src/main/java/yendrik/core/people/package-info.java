@NullMarked
package yendrik.core.people;

import org.jspecify.annotations.NullMarked;
