package org.jollychain.server.account;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.UUID;
import org.jollychain.server.platform.Role;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Tokens for scripts, sent as {@code Authorization: Bearer ...}. */
@RestController
@RequestMapping(path = "/api/tokens", produces = MediaType.APPLICATION_JSON_VALUE)
class TokenController {

  private final TokenService tokens;

  TokenController(TokenService tokens) {
    this.tokens = tokens;
  }

  /**
   * A token to be made.
   *
   * @param days how long it lets in
   */
  record NewToken(@NotBlank @Size(max = 60) String title, @NotNull Role role, int days) {}

  /** The token itself, told this once. */
  record Made(String token) {}

  @GetMapping
  List<ApiToken> all() {
    return tokens.all();
  }

  @PutMapping(path = "/{id}", consumes = MediaType.APPLICATION_JSON_VALUE)
  Made make(@PathVariable UUID id, @RequestBody @Valid NewToken wanted) {
    return new Made(tokens.make(id, wanted.title(), wanted.role(), wanted.days()));
  }

  @DeleteMapping("/{id}")
  List<ApiToken> revoke(@PathVariable UUID id) {
    tokens.revoke(id);
    return tokens.all();
  }
}
