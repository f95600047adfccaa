package org.jollychain.server.account;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import org.jollychain.server.platform.Role;

/** Somebody to be added, with the password to begin with. */
record NewPerson(
    @NotBlank
        @Pattern(
            regexp = "[a-z][a-z0-9.-]{1,39}",
            message = "must be 2 to 40 small letters, digits, dots or dashes, a letter first")
        String login,
    @NotBlank @Size(max = 60) String name,
    @NotNull Role role,
    @NotBlank String password) {

  /** The same in another role. */
  NewPerson as(Role other) {
    return new NewPerson(login, name, other, password);
  }
}
