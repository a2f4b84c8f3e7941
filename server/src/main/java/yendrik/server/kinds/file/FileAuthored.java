package yendrik.server.kinds.file;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.List;
import yendrik.server.design.AuthorPart;
import yendrik.server.files.Files;

/** The files of a step, in the order in which they are shown. */
@JsonTypeName("file")
public record FileAuthored(List<Files.Kept> files) implements AuthorPart {}
