@NullMarked
package yendrik.server.files;

import org.jspecify.annotations.NullMarked;
