@NullMarked
package yendrik.server.roster;

import org.jspecify.annotations.NullMarked;
