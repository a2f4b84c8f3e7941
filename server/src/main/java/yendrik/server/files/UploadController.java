package yendrik.server.files;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.bind.annotation.RestController;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.SignedIn;

/** Sending files, by the tus protocol: begun, sent in pieces, asked how far it is, given up. */
@RestController
@RequestMapping(Uploads.ADDRESS)
class UploadController {
  private final Uploads uploads;

  UploadController(Uploads uploads) {
    this.uploads = uploads;
  }

  @PostMapping
  @Needs(Right.SIGNED_IN)
  void beginUpload(HttpServletRequest request, HttpServletResponse response, SignedIn person)
      throws IOException {
    uploads.begin(request, response, person.id());
  }

  @PatchMapping("/{upload}")
  @Needs(Right.SIGNED_IN)
  void sendPiece(
      @PathVariable String upload,
      HttpServletRequest request,
      HttpServletResponse response,
      SignedIn person)
      throws IOException {
    uploads.process(request, response, person.id());
  }

  @RequestMapping(path = "/{upload}", method = RequestMethod.HEAD)
  @Needs(Right.SIGNED_IN)
  void askHowFar(
      @PathVariable String upload,
      HttpServletRequest request,
      HttpServletResponse response,
      SignedIn person)
      throws IOException {
    uploads.process(request, response, person.id());
  }

  @DeleteMapping("/{upload}")
  @Needs(Right.SIGNED_IN)
  void giveUpUpload(
      @PathVariable String upload,
      HttpServletRequest request,
      HttpServletResponse response,
      SignedIn person)
      throws IOException {
    uploads.process(request, response, person.id());
  }
}
