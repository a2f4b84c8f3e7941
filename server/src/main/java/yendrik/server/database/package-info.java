@NullMarked
package yendrik.server.database;

import org.jspecify.annotations.NullMarked;
