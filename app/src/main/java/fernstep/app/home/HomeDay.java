package fernstep.app.home;

import fernstep.app.client.ClientFile;
import fernstep.app.figure.DoneSo;
import fernstep.app.figure.Drawn;
import fernstep.app.house.EmergencyNumbers;
import fernstep.app.house.HouseFacts;
import fernstep.core.catalogue.Rung;
import fernstep.core.plan.PlanItem;
import fernstep.core.schedule.DailyLife;
import fernstep.core.schedule.GarmentSchedule;
import fernstep.core.schedule.SessionCalendar;
import fernstep.core.screening.Answer;
import fernstep.core.screening.EmergencyCall;
import fernstep.core.screening.Outcome;
import fernstep.core.standing.Permission;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What a client finds on her home page on one day.
 *
 * @param outcome what her practitioner's record and her own answers allow today
 * @param session "A" or "B"; null where all days are alike or there is nothing to do
 * @param exercises today's, in order; empty on a day without a session and while an answer closes everything
 * @param trainsToday whether the day was planned for training
 * @param leaveOut exercises, by key, that an answer of today takes out
 * @param morning the day she trained whose morning after is still to be told; null without one
 */
public record HomeDay(
        ClientFile client,
        LocalDate day,
        Outcome outcome,
        @Nullable String session,
        List<Exercise> exercises,
        boolean trainsToday,
        Map<Answer, List<String>> leaveOut,
        Questions questions,
        @Nullable LocalDate morning,
        Life life,
        List<SessionCalendar.Day> ahead,
        List<Place> places,
        HouseFacts house,
        Safety safety) {
    /**
     * One exercise on one side.
     *
     * @param key the rung's code and the side
     * @param so how she does it, as the page asks for its pictures
     * @param phases of one repetition, as JSON for the page's script
     * @param target repetitions or breaths in a set
     * @param where how far, in words; empty without a range
     * @param done how it was told today, or null
     */
    public record Exercise(
            String key,
            PlanItem item,
            Drawn figure,
            DoneSo so,
            String phases,
            int target,
            String where,
            @Nullable String done) {}

    /**
     * What waits until somebody has looked.
     *
     * @param since when her plan was signed; null where none was
     * @param withheld exercises of it that are not done today
     * @param calls whom to call, by what was answered
     * @param standingCalls kinds of call for what stands already, with commas
     */
    public record Safety(
            Permission mayTrain,
            @Nullable LocalDateTime since,
            List<PlanItem> withheld,
            List<Call> calls,
            String standingCalls) {
        /** Whom to call, and the numbers. */
        public record Call(EmergencyCall call, List<EmergencyNumbers.Line> lines, List<Answer> answers) {}

        /** The kind of call that an answer asks for; null for one that is no emergency. */
        public @Nullable EmergencyCall callFor(Answer answer) {
            return calls.stream()
                    .filter(kind -> kind.answers().contains(answer))
                    .map(Call::call)
                    .findFirst()
                    .orElse(null);
        }

        /** Somebody speaks with her before she goes on. */
        public boolean untilSpoken() {
            return mayTrain == Permission.SPEAK_FIRST;
        }
    }

    /** Today's questions that can apply to her, by what follows from a yes. */
    public record Questions(List<Answer> emergency, List<Answer> askFirst, List<Answer> tellUs) {}

    /**
     * What she minds outside her exercises.
     *
     * @param garment null where none is worn or to come
     * @param minded what she ticked today
     */
    public record Life(List<DailyLife> items, @Nullable GarmentSchedule garment, Set<DailyLife> minded) {}

    /**
     * Where she stands on one strand.
     *
     * @param side "" for both
     * @param number of the rung, from 1
     * @param of rungs in all
     */
    public record Place(Rung rung, String side, int number, int of) {}

    public boolean closed() {
        return outcome.closesGates();
    }

    /** As she is greeted. */
    public String firstName() {
        return client.name().split(" ", 2)[0];
    }

    /** Whole minutes, one at least. */
    public int minutes() {
        return Math.max(
                1,
                Math.round(exercises.stream()
                                .mapToInt(exercise -> exercise.item().seconds())
                                .sum()
                        / 60f));
    }

    /** The next day with a session after today; null where none is planned in sight. */
    public @Nullable LocalDate next() {
        return ahead.stream()
                .filter(each -> each.date().isAfter(day) && each.kind() == SessionCalendar.Kind.SESSION)
                .map(SessionCalendar.Day::date)
                .findFirst()
                .orElse(null);
    }
}
