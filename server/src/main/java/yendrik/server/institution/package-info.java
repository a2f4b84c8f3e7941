@NullMarked
package yendrik.server.institution;

import org.jspecify.annotations.NullMarked;
