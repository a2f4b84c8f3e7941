package yendrik.server.kinds.file;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.List;
import yendrik.server.files.Files;
import yendrik.server.learn.LearnerPart;

/** The files that learners can look at or save. */
@JsonTypeName("file")
public record FileShown(List<Files.Kept> files) implements LearnerPart {}
