package org.jollychain.server.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jollychain.server.account.SessionsService;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.test.util.ReflectionTestUtils;
import org.springframework.web.servlet.mvc.method.annotation.ResponseBodyEmitter;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

class JobWatchTest {

  private final UUID id = UUID.randomUUID();
  private final JobMapper jobs = mock(JobMapper.class);
  private final SessionsService sessions = mock(SessionsService.class);
  private final JobWatch watch = new JobWatch(jobs, sessions, false);
  private String mark = "1.0";

  @BeforeEach
  void a_job() {
    when(jobs.find(id)).thenReturn(Optional.of(mock(Job.class)));
    when(jobs.marks(any())).thenAnswer(i -> List.of(new JobMapper.Mark(id, mark)));
    when(sessions.open(any())).thenReturn(Set.of("s1", "s2"));
  }

  /** What a listener was sent before its answer began, as the framework keeps it. */
  private static List<String> told(SseEmitter emitter) {
    List<String> told = new ArrayList<>();
    for (Object sent : (Iterable<?>) ReflectionTestUtils.getField(emitter, "earlySendAttempts")) {
      told.add(String.valueOf(((ResponseBodyEmitter.DataWithMediaType) sent).getData()));
    }
    return told.stream()
        .filter(t -> t.matches("\\d+\\.\\d+"))
        .collect(Collectors.toCollection(ArrayList::new));
  }

  @Test
  void whoever_begins_to_listen_hears_what_the_job_is_now() {
    SseEmitter first = watch.watch(id, "s1");
    watch.look();
    mark = "1.1";
    // it changes between two looks, and a second page has loaded the job before that
    SseEmitter second = watch.watch(id, "s2");
    assertThat(told(second)).containsExactly("1.1");
    watch.look();
    assertThat(told(first)).last().isEqualTo("1.1");
    mark = "1.2";
    watch.look();
    watch.look();
    assertThat(told(first)).last().isEqualTo("1.2");
    assertThat(told(second)).last().isEqualTo("1.2");
  }

  @Test
  void listening_ends_with_the_session() {
    SseEmitter stays = watch.watch(id, "s1");
    SseEmitter goes = watch.watch(id, "s2");
    SseEmitter program = watch.watch(id, "");
    when(sessions.open(any())).thenReturn(Set.of("s1"));
    watch.look();
    assertThat(over(goes)).isTrue();
    assertThat(over(stays)).isFalse();
    assertThat(over(program)).isFalse();
  }

  private static boolean over(SseEmitter emitter) {
    return Boolean.TRUE.equals(ReflectionTestUtils.getField(emitter, "complete"));
  }
}
