@NullMarked
package yendrik.server.teach;

import org.jspecify.annotations.NullMarked;
