package yendrik.server.kinds.link;

import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import yendrik.server.design.AuthorEdit;
import yendrik.server.http.PlainText;

/** The same as sent. */
@JsonTypeName("link")
public record LinkEdit(@NotNull @Size(max = 2000) @PlainText String address)
    implements AuthorEdit {}
