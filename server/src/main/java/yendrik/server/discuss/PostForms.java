package yendrik.server.discuss;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.id.PostId;

/** What is sent of discussions and journals. */
final class PostForms {
  private PostForms() {}

  /**
   * @param text formatted
   * @param files that were sent before
   */
  @Schema(name = "PostText")
  record TextForm(
      @NotNull @Size(max = 50_000) String text,
      @NotNull @Size(max = PostFiles.MOST) List<Long> files) {}

  /**
   * @param group among whom, where each group discusses by itself
   * @param ungrouped whether staff write among those who are in no group
   * @param journal whose, when staff write in one
   * @param inReplyTo a post or a reply of the thread to which it belongs
   */
  @Schema(name = "NewPost")
  record PostForm(
      @NotNull @Valid TextForm post,
      Optional<GroupId> group,
      Optional<Boolean> ungrouped,
      Optional<EnrolmentId> journal,
      Optional<PostId> inReplyTo) {
    StaffTalks.Chosen chosen() {
      return new StaffTalks.Chosen(group, ungrouped.orElse(false), journal);
    }

    /** A few words. */
    static PostForm of(String text, Optional<PostId> inReplyTo) {
      return new PostForm(
          new TextForm(text, List.of()),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          inReplyTo);
    }
  }

  /** A file that was sent whole. */
  @Schema(name = "PostFile")
  record FileForm(@NotBlank @Size(max = 100) String upload) {}

  @Schema(name = "ReadThread")
  record ReadForm(@NotNull PostId thread, @NotNull PostId upto) {}

  @Schema(name = "ReadThreads")
  record ReadsForm(@NotNull @Size(max = 100) List<@Valid ReadForm> threads) {
    Map<PostId, PostId> upto() {
      Map<PostId, PostId> all = new LinkedHashMap<>();
      threads.forEach(t -> all.put(t.thread(), t.upto()));
      return all;
    }
  }
}
