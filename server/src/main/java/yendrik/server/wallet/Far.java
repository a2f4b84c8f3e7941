package yendrik.server.wallet;

import java.net.URI;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.MediaType;
import org.springframework.security.oauth2.client.endpoint.OAuth2AuthorizationCodeGrantRequest;
import org.springframework.security.oauth2.client.endpoint.OAuth2RefreshTokenGrantRequest;
import org.springframework.security.oauth2.client.endpoint.RestClientAuthorizationCodeTokenResponseClient;
import org.springframework.security.oauth2.client.endpoint.RestClientRefreshTokenTokenResponseClient;
import org.springframework.security.oauth2.client.registration.ClientRegistration;
import org.springframework.security.oauth2.client.web.OAuth2AuthorizationRequestCustomizers;
import org.springframework.security.oauth2.core.AuthorizationGrantType;
import org.springframework.security.oauth2.core.OAuth2AccessToken;
import org.springframework.security.oauth2.core.OAuth2AuthorizationException;
import org.springframework.security.oauth2.core.OAuth2RefreshToken;
import org.springframework.security.oauth2.core.endpoint.OAuth2AccessTokenResponse;
import org.springframework.security.oauth2.core.endpoint.OAuth2AuthorizationExchange;
import org.springframework.security.oauth2.core.endpoint.OAuth2AuthorizationRequest;
import org.springframework.security.oauth2.core.endpoint.OAuth2AuthorizationResponse;
import org.springframework.security.oauth2.core.endpoint.PkceParameterNames;
import org.springframework.stereotype.Component;
import org.springframework.web.client.RestClient;
import org.springframework.web.client.RestClientException;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import yendrik.formats.json.CoreJson;
import yendrik.schema.tables.records.WalletClientRecord;
import yendrik.server.http.Outside;
import yendrik.server.http.Problem;

/**
 * A wallet at the other end, as 1EdTech Open Badges 3.0 says in its API: found by its description,
 * allowed by OAuth 2 with proof keys (RFC 6749, 7591, 7636), and given credentials.
 */
@Component
class Far {
  private static final String API = "/ims/ob/v3p0";
  private static final String UPSERT =
      "https://purl.imsglobal.org/spec/ob/v3p0/scope/credential.upsert";
  private static final List<String> SCOPES = List.of("offline_access", UPSERT);
  private static final Duration PATIENCE = Duration.ofSeconds(10);

  private final RestClient http;
  private final RestClientAuthorizationCodeTokenResponseClient codes =
      new RestClientAuthorizationCodeTokenResponseClient();
  private final RestClientRefreshTokenTokenResponseClient refreshing =
      new RestClientRefreshTokenTokenResponseClient();
  private final String back;

  Far(@Value("${yendrik.address}") String address) {
    back = address + "/wallet";
    http = Outside.client(PATIENCE);
  }

  /** How the installation is known at a wallet. */
  record Known(String authorizeAt, String tokenAt, String clientId, String clientSecret) {}

  /**
   * Makes the installation known at a wallet.
   *
   * @throws Problem if it cannot be reached, or names places that are not its own
   */
  Known register(String wallet, String address, String name) {
    try {
      JsonNode scheme = null;
      JsonNode described = json(http.get().uri(address + API + "/discovery"));
      for (JsonNode one : described.at("/components/securitySchemes"))
        if (one.has("x-imssf-registrationUrl")) scheme = one;
      if (scheme == null) throw Problem.conflict("wallet-says-nothing", "wallet", wallet);
      JsonNode flow = scheme.at("/flows/authorizationCode");
      String authorizeAt = own(wallet, address, flow.path("authorizationUrl").asString(""));
      String tokenAt = own(wallet, address, flow.path("tokenUrl").asString(""));
      String registerAt = own(wallet, address, scheme.path("x-imssf-registrationUrl").asString(""));
      JsonNode made =
          json(
              http.post()
                  .uri(registerAt)
                  .contentType(MediaType.APPLICATION_JSON)
                  .body(
                      CoreJson.mapper()
                          .writeValueAsString(
                              Map.of(
                                  "client_name", name,
                                  "redirect_uris", List.of(back),
                                  "grant_types", List.of("authorization_code", "refresh_token"),
                                  "response_types", List.of("code"),
                                  "token_endpoint_auth_method", "client_secret_basic",
                                  "scope", String.join(" ", SCOPES)))));
      return new Known(authorizeAt, tokenAt, said(made, "client_id"), said(made, "client_secret"));
    } catch (JacksonException | NoSuchElementException _) {
      throw Problem.conflict("wallet-says-nothing", "wallet", wallet);
    } catch (RestClientException _) {
      throw Problem.conflict("wallet-away", "wallet", wallet);
    }
  }

  private static String said(JsonNode made, String field) {
    return made.path(field).asStringOpt().filter(text -> !text.isBlank()).orElseThrow();
  }

  private static JsonNode json(RestClient.RequestHeadersSpec<?> asked) {
    String text = asked.accept(MediaType.APPLICATION_JSON).retrieve().body(String.class);
    return CoreJson.mapper().readTree(text == null ? "{}" : text);
  }

  /** A wallet sends nobody, and no secret, to another place than its own. */
  private static String own(String wallet, String address, String named) {
    if (!named.startsWith(address + "/"))
      throw Problem.conflict("wallet-says-nothing", "wallet", wallet);
    return named;
  }

  private ClientRegistration registration(WalletClientRecord client) {
    return ClientRegistration.withRegistrationId(client.getWallet())
        .clientId(client.getClientId())
        .clientSecret(client.getClientSecret())
        .authorizationGrantType(AuthorizationGrantType.AUTHORIZATION_CODE)
        .redirectUri(back)
        .authorizationUri(client.getAuthorizeAt())
        .tokenUri(client.getTokenAt())
        .scope(SCOPES)
        .build();
  }

  /**
   * Where somebody is sent to allow it.
   *
   * @param verifier that is told when the answer is brought
   */
  record Ask(String address, String verifier) {}

  Ask ask(WalletClientRecord client, String state) {
    OAuth2AuthorizationRequest.Builder request =
        request(client, state).additionalParameters(more -> more.put("prompt", "consent"));
    OAuth2AuthorizationRequestCustomizers.withPkce().accept(request);
    OAuth2AuthorizationRequest asked = request.build();
    return new Ask(
        asked.getAuthorizationRequestUri(),
        String.valueOf(asked.<String>getAttribute(PkceParameterNames.CODE_VERIFIER)));
  }

  private OAuth2AuthorizationRequest.Builder request(WalletClientRecord client, String state) {
    return OAuth2AuthorizationRequest.authorizationCode()
        .clientId(client.getClientId())
        .authorizationUri(client.getAuthorizeAt())
        .redirectUri(back)
        .scope(SCOPES.toArray(String[]::new))
        .state(state);
  }

  /**
   * What a code is worth.
   *
   * @throws Problem if the wallet does not take it
   */
  OAuth2AccessTokenResponse exchange(
      WalletClientRecord client, String state, String verifier, String code) {
    OAuth2AuthorizationRequest request =
        request(client, state)
            .attributes(all -> all.put(PkceParameterNames.CODE_VERIFIER, verifier))
            .build();
    var response = OAuth2AuthorizationResponse.success(code).redirectUri(back).state(state).build();
    try {
      return codes.getTokenResponse(
          new OAuth2AuthorizationCodeGrantRequest(
              registration(client), new OAuth2AuthorizationExchange(request, response)));
    } catch (OAuth2AuthorizationException | RestClientException _) {
      throw Problem.conflict("wallet-refused", "wallet", client.getWallet());
    }
  }

  /** New tokens in the place of those that ended; empty if the wallet allows it no more. */
  Optional<OAuth2AccessTokenResponse> renewed(
      WalletClientRecord client, OAuth2AccessToken ended, String refresh) {
    try {
      return Optional.of(
          refreshing.getTokenResponse(
              new OAuth2RefreshTokenGrantRequest(
                  registration(client), ended, new OAuth2RefreshToken(refresh, null))));
    } catch (OAuth2AuthorizationException _) {
      return Optional.empty();
    } catch (RestClientException _) {
      throw Problem.conflict("wallet-away", "wallet", client.getWallet());
    }
  }

  /** What came of sending a credential. */
  enum Came {
    /** It was not there before. */
    FRESH,
    CHANGED,
    /** The token does not count any more. */
    NOT_ALLOWED
  }

  /**
   * Puts a credential into a wallet, in the place of what it has of the same name.
   *
   * @throws Problem if the wallet is away or does not take it
   */
  Came put(String wallet, String address, String token, String credential) {
    try {
      HttpStatusCode status =
          http.post()
              .uri(URI.create(address + API + "/credentials"))
              .header("Authorization", "Bearer " + token)
              .contentType(MediaType.APPLICATION_JSON)
              .body(credential)
              .exchange((_, answer) -> answer.getStatusCode());
      if (status.value() == 401 || status.value() == 403) return Came.NOT_ALLOWED;
      if (!status.is2xxSuccessful()) throw Problem.conflict("wallet-takes-no", "wallet", wallet);
      return status.value() == 201 ? Came.FRESH : Came.CHANGED;
    } catch (RestClientException _) {
      throw Problem.conflict("wallet-away", "wallet", wallet);
    }
  }
}
