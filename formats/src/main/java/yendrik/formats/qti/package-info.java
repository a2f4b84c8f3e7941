/**
 * Questions as packages of 1EdTech's Question and Test Interoperability: version 3.0 out and in,
 * 2.1 and 2.2 in. A package is a zip file with a manifest of IMS Content Packaging; what a question
 * is about and how hard it is stand there as IEEE LOM.
 */
@NullMarked
package yendrik.formats.qti;

import org.jspecify.annotations.NullMarked;
