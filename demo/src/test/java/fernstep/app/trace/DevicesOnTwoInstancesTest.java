package fernstep.app.trace;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.Someone;
import fernstep.app.ask.Visit;
import fernstep.app.ask.Visits;
import fernstep.app.run.Runner;
import fernstep.app.support.Words;
import fernstep.core.approach.Approach;
import fernstep.core.trace.Channel;
import fernstep.core.trace.LiveTrace.Sample;
import fernstep.core.trace.Trace;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A device and two instances of the app on one database. */
@ExtendWith(AppExtension.class)
class DevicesOnTwoInstancesTest {
    private static final long IMOGEN = 1;

    private final Running app;
    private final Recordings recordings;
    private final LiveStreams one;
    private final LiveStreams other;
    private long client;
    private Pairings.Paired paired;

    DevicesOnTwoInstancesTest(Running app, Recordings recordings, Words words, Clock clock) {
        this.app = app;
        this.recordings = recordings;
        this.one = new LiveStreams(recordings, words, clock);
        this.other = new LiveStreams(recordings, words, clock);
    }

    @BeforeEach
    void a_session_of_her_own() {
        client = Someone.firm(app.context(), "Two Houses", Approach.SLOW_LADDER, 14);
        Visits visits = app.context().getBean(Visits.class);
        Visit today = visits.openToday(client, IMOGEN);
        visits.markAsked(today.id());
        String session = app.context()
                .getBean(Runner.class)
                .start(today.id(), UUID.randomUUID().toString(), null, IMOGEN);
        paired = new Pairings.Paired(session, IMOGEN);
    }

    /** Twenty milliseconds apart, the cuff at the number of the sample. */
    private static List<Sample> samples(int from, int to) {
        return IntStream.range(from, to)
                .mapToObj(index -> new Sample(20 * index, Map.of(Channel.CUFF, (double) index)))
                .toList();
    }

    private double[] cuff(LiveStream stream) {
        return recordings.samples(stream.recordingId()).orElseThrow().line(Channel.CUFF);
    }

    private static double[] numbers(int from, int to) {
        return IntStream.range(from, to).asDoubleStream().toArray();
    }

    @Test
    void who_comes_back_to_the_other_instance_goes_on_there_and_what_the_first_still_had_is_kept()
            throws LiveStreams.Busy {
        LiveStreams.Connected here = one.begin(paired, client);
        LiveStream before = here.stream();
        int first = here.number();
        String token = recordings.mayComeBack(before.recordingId());
        before.take(first, 1, samples(0, 100));
        one.store(text -> true);
        before.take(first, 2, samples(100, 120));
        LiveStreams.Connected there = other.goOn(token).orElseThrow();
        LiveStream after = there.stream();
        assertThat(after.recordingId()).isEqualTo(before.recordingId());
        after.take(there.number(), 3, samples(120, 200));
        other.store(text -> true);
        // the first instance notices only now
        before.lost(first);
        one.store(text -> true);
        assertThat(cuff(after)).containsExactly(numbers(0, 200));
        assertThat(after.problems())
                .as("nothing was missing between the batches that came here")
                .noneMatch(problem -> problem.code() == Trace.Problem.Code.BATCH_MISSING);
    }

    @Test
    void while_one_instance_hears_a_device_the_other_lets_none_in() throws LiveStreams.Busy {
        LiveStreams.Connected in = one.begin(paired, client);
        LiveStream stream = in.stream();
        stream.take(in.number(), 1, samples(0, 60));
        one.store(text -> true);
        assertThatThrownBy(() -> other.begin(paired, client)).isInstanceOf(LiveStreams.Busy.class);
        assertThat(other.noticeOf(paired.sessionId())).isPresent();
        stream.end();
        one.store(text -> false);
        assertThat(other.begin(paired, client).stream().recordingId()).isNotEqualTo(stream.recordingId());
    }

    @Test
    void a_line_of_a_connection_that_was_lost_is_late_and_says_nothing() throws LiveStreams.Busy {
        LiveStreams.Connected in = one.begin(paired, client);
        LiveStream stream = in.stream();
        int first = in.number();
        stream.take(first, 1, samples(0, 50));
        int second = stream.connect();
        stream.take(second, 2, samples(60, 110));
        stream.take(first, 3, samples(200, 300));
        stream.lost(first);
        assertThat(stream.state()).isEqualTo(LiveStream.State.LIVE);
        stream.end();
        one.store(text -> false);
        assertThat(cuff(stream)).hasSize(100).endsWith(109.0);
    }
}
