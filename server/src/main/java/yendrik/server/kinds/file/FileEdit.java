package yendrik.server.kinds.file;

import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import yendrik.server.design.AuthorEdit;

/** The same as sent: files of the course by their numbers. */
@JsonTypeName("file")
public record FileEdit(@NotNull @Size(max = 50) List<Long> files) implements AuthorEdit {}
