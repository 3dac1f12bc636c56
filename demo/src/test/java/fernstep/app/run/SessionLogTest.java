package fernstep.app.run;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.Someone;
import fernstep.app.ask.Visits;
import fernstep.core.approach.Approach;
import fernstep.core.session.SessionEvent;
import fernstep.core.session.SessionEvent.RepDone;
import fernstep.core.session.StaffId;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Two instances of the app that write into one session: both read it in the order in which it was written. */
@ExtendWith(AppExtension.class)
class SessionLogTest {
    private static final long IMOGEN = 1;

    private final Running app;
    private final SessionMapper mapper;
    private final SessionLog one;
    private final SessionLog other;
    private String session = "";

    SessionLogTest(Running app, SessionMapper mapper) {
        this.app = app;
        this.mapper = mapper;
        this.one = new SessionLog(mapper);
        this.other = new SessionLog(mapper);
    }

    @BeforeEach
    void a_session_of_her_own() {
        long client = Someone.firm(app.context(), "Two Writers", Approach.SLOW_LADDER, 14);
        Visits visits = app.context().getBean(Visits.class);
        long visit = visits.openToday(client, IMOGEN).id();
        visits.markAsked(visit);
        session = app.context()
                .getBean(Runner.class)
                .start(visit, UUID.randomUUID().toString(), null, IMOGEN);
    }

    private StoredEvent written() {
        StoredEvent event =
                StoredEvent.of(session, new RepDone(UUID.randomUUID().toString(), new StaffId(IMOGEN)));
        mapper.insertEvent(event);
        return event;
    }

    private List<String> read(SessionLog log) {
        return log.of(log.stand(session).orElseThrow()).events().stream()
                .map(SessionEvent::id)
                .toList();
    }

    @Test
    void what_was_just_written_is_there_for_the_writer_and_for_the_other() {
        StoredEvent first = written();
        one.wrote(first);
        StoredEvent second = written();
        assertThat(read(one)).containsExactly(first.id(), second.id());
        one.wrote(written());
        assertThat(read(one)).hasSize(3).isEqualTo(read(other));
    }

    @Test
    void another_s_event_that_came_before_one_s_own_stands_before_it() {
        assertThat(read(one)).isEmpty();
        StoredEvent others = written();
        StoredEvent own = written();
        one.wrote(own);
        assertThat(read(one)).containsExactly(others.id(), own.id());
    }

    @Test
    void one_s_own_is_not_taken_for_the_last_when_another_s_came_after_it() {
        StoredEvent own = written();
        one.wrote(own);
        assertThat(read(one)).containsExactly(own.id());
        StoredEvent others = written();
        assertThat(read(one)).containsExactly(own.id(), others.id());
    }

    @Test
    void the_row_says_how_many_there_are_and_which_is_the_last() {
        SessionLog.Stand empty = one.stand(session).orElseThrow();
        assertThat(empty.events()).isZero();
        assertThat(empty.lastEvent()).isNull();
        written();
        StoredEvent last = written();
        SessionLog.Stand stand = one.stand(session).orElseThrow();
        assertThat(stand.events()).isEqualTo(2);
        assertThat(stand.lastEvent()).isEqualTo(last.id());
        assertThat(one.stand(UUID.randomUUID().toString())).isEmpty();
    }
}
