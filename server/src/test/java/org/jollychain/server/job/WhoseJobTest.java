package org.jollychain.server.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.OffsetDateTime;
import java.util.UUID;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.server.ServerTest;
import org.jollychain.server.account.PeopleService;
import org.jollychain.server.account.Person;
import org.jollychain.server.assess.EvidenceItem;
import org.jollychain.server.platform.Role;
import org.jollychain.server.platform.Stamp;
import org.jollychain.server.policy.Permit;
import org.jollychain.server.policy.PolicyItem;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.transaction.annotation.Transactional;

/** Whose a job is, and what an apprentice may read on it. */
@ServerTest
@Transactional
class WhoseJobTest {

  @Autowired private PeopleService people;
  @Autowired private JobService jobs;
  @Autowired private JobAssessor assessor;
  @Autowired private EvidenceLog evidence;

  private final UUID id = UUID.randomUUID();

  @BeforeEach
  void two_of_one_name() {
    people.addWithoutPassword(Person.of("runa", "Runa", Role.TECHNICIAN));
    people.addWithoutPassword(Person.of("runa2", "Runa", Role.TECHNICIAN));
    people.addWithoutPassword(Person.of("ottar", "Ottar", Role.APPRENTICE));
    people.addWithoutPassword(Person.of("imke", "Imke", Role.LEAD));
  }

  private static Stamp by(String login, Role role) {
    return new Stamp(OffsetDateTime.now(), login, role);
  }

  private Job open(String technician, Permit permit, Stamp by) {
    jobs.open(
        id,
        new NewJob(
            "WHO-1",
            null,
            null,
            null,
            "dryer-timer-240",
            "no-heat",
            null,
            permit,
            technician,
            null),
        by);
    return assessor.view(id).job();
  }

  @Test
  void a_job_is_of_who_opens_it_whatever_others_are_called() {
    assertThat(open("", Permit.LIVE, by("runa2", Role.TECHNICIAN)).owner()).isEqualTo("runa2");
    assertThatThrownBy(() -> jobs.strike(id, "slip", 1, by("runa", Role.TECHNICIAN)))
        .hasMessageContaining("This job is Runa's");
  }

  @ParameterizedTest
  @CsvSource({
    "runa2, runa2, Runa",
    "Ottar, ottar, Ottar",
    "ottar, ottar, Ottar",
    "Nobody, imke, Nobody"
  })
  void a_lead_gives_it_to_somebody_by_login_or_name(String told, String owner, String name) {
    Job job = open(told, Permit.LIVE, by("imke", Role.LEAD));
    assertThat(job.owner()).isEqualTo(owner);
    assertThat(job.technician()).isEqualTo(name);
  }

  @Test
  void a_name_that_several_have_is_asked_about() {
    assertThatThrownBy(() -> open("Runa", Permit.LIVE, by("imke", Role.LEAD)))
        .hasMessageContaining("2 people are called Runa")
        .hasMessageContaining("runa or runa2");
  }

  private void read(EvidenceItem item, Stamp by) {
    evidence.add(id, UUID.randomUUID(), item, by);
  }

  @Test
  void an_apprentice_takes_no_live_reading_unless_a_lead_permits_it() {
    Stamp apprentice = by("ottar", Role.APPRENTICE);
    Job job = open("", Permit.ISOLATED, apprentice);
    assertThatThrownBy(() -> read(Typed.volts("high-limit", "239.1"), apprentice))
        .hasMessageContaining("worked isolated");
    assertThatThrownBy(
            () ->
                evidence.importCsv(
                    id,
                    "function,across,situation,value\nvolts-ac,high-limit,heat-call,239.1\n",
                    apprentice))
        .hasMessageContaining("worked isolated");
    read(isolated("0.1"), apprentice);
    jobs.plan(
        id, Permit.LIVE, PolicyItem.USUAL, Seen.of(assessor.view(id).job()), by("imke", Role.LEAD));
    read(Typed.volts("high-limit", "239.1"), apprentice);
    assertThat(assessor.view(id).evidence()).hasSize(2);
  }

  private static EvidenceItem isolated(String value) {
    return new EvidenceItem(
        "ohms",
        null,
        null,
        "high-limit",
        null,
        "isolated",
        null,
        null,
        null,
        null,
        null,
        null,
        null,
        value);
  }

  @ParameterizedTest
  @CsvSource({"-3000, true", "240, true", "360, false", "31536000, false"})
  void what_was_read_was_read_before_now(long seconds, boolean taken) {
    Stamp runa = by("runa", Role.TECHNICIAN);
    open("", Permit.LIVE, runa);
    EvidenceItem item = isolated("0.1").takenAt(runa.at().plusSeconds(seconds));
    if (taken) {
      read(item, runa);
    } else {
      assertThatThrownBy(() -> read(item, runa))
          .isInstanceOf(EvidenceException.class)
          .hasMessageContaining("is in the future");
    }
  }
}
