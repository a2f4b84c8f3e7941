package yendrik.server.wallet;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.SignedIn;

/** A person's wallets. */
@RestController
@RequestMapping("/api/account/wallets")
class WalletController {
  private final ToWallets sending;

  WalletController(ToWallets sending) {
    this.sending = sending;
  }

  @GetMapping
  @Needs(Right.SIGNED_IN)
  List<ToWallets.WalletView> wallets(SignedIn me) {
    return sending.all(me.id());
  }

  /**
   * @param award what is to be sent when it is allowed
   */
  @Schema(name = "WalletAsking")
  record Asking(Optional<UUID> award) {}

  /**
   * @param address where its holder allows it
   */
  @Schema(name = "WalletAsked")
  record Asked(String address) {}

  /** Begins to ask a wallet whether badges may be put there. */
  @PostMapping("/{wallet}/asking")
  @Needs(Right.SIGNED_IN)
  Asked askWallet(
      SignedIn me, @PathVariable @Size(max = 60) String wallet, @Valid @RequestBody Asking asking) {
    return new Asked(sending.ask(me.id(), wallet, asking.award()));
  }

  /** What a wallet answered. */
  @Schema(name = "WalletAnswer")
  record Answer(@NotBlank @Size(max = 100) String state, @NotBlank @Size(max = 2000) String code) {}

  /** Takes what a wallet answered, and sends the badge for which it was asked. */
  @PostMapping("/answers")
  @Needs(Right.SIGNED_IN)
  ToWallets.SentView walletAnswered(SignedIn me, @Valid @RequestBody Answer answer) {
    return sending.allowed(me.id(), answer.state(), answer.code());
  }

  /** Puts a badge into a wallet, in the place of what is there of it. */
  @PostMapping("/{wallet}/badges/{award}")
  @Needs(Right.SIGNED_IN)
  ToWallets.SentView sendBadge(
      SignedIn me, @PathVariable @Size(max = 60) String wallet, @PathVariable UUID award) {
    return sending.send(me.id(), wallet, award);
  }

  /** Forgets what a wallet allows; what is there stays. */
  @DeleteMapping("/{wallet}")
  @Needs(Right.SIGNED_IN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void forgetWallet(SignedIn me, @PathVariable @Size(max = 60) String wallet) {
    sending.forget(me.id(), wallet);
  }
}
