package org.jollychain.server.platform;

import java.util.List;
import org.jollychain.core.quantity.Kebab;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.security.core.authority.SimpleGrantedAuthority;

/** What somebody may do; each may all that those before it may. */
public enum Role {
  /** Reads. */
  VIEWER,
  /** Works on jobs of their own, isolated; live once a lead permits it on the job. */
  APPRENTICE,
  /** Works on jobs of their own. */
  TECHNICIAN,
  /** Sheets, guides, policy, meters, people, and everybody's jobs. */
  LEAD;

  /** Somebody of this role who is known, as the framework has it. */
  public Authentication of(String login) {
    return UsernamePasswordAuthenticationToken.authenticated(login, null, List.of(authority()));
  }

  GrantedAuthority authority() {
    return new SimpleGrantedAuthority("ROLE_" + name());
  }

  public boolean atLeast(Role other) {
    return compareTo(other) >= 0;
  }

  @Override
  public String toString() {
    return Kebab.of(this);
  }
}
