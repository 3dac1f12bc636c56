package fernstep.app.demo;

import fernstep.app.client.ClearanceRow;
import fernstep.app.client.ClientRow;
import fernstep.app.client.Clients;
import fernstep.app.client.EventRow;
import fernstep.app.contact.Contact;
import fernstep.app.contact.Contacts;
import fernstep.app.house.EmergencyNumbers;
import fernstep.app.house.House;
import fernstep.app.house.HouseFacts;
import fernstep.app.support.Today;
import fernstep.core.approach.Approach;
import fernstep.core.client.BirthMode;
import fernstep.core.client.Clearance.Scope;
import fernstep.core.client.Status;
import fernstep.core.plan.Goal;
import fernstep.core.progress.Progress;
import fernstep.device.Script;
import java.nio.charset.StandardCharsets;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** The twelve invented clients; every date counts back from today. */
@Component
class TidemarkRoom {
    private final Clients clients;
    private final DemoHistory history;
    private final House house;
    private final Contacts contacts;
    private final DemoTraces traces;
    private final Today today;

    TidemarkRoom(Clients clients, DemoHistory history, House house, Contacts contacts, DemoTraces traces, Today today) {
        this.traces = traces;
        this.house = house;
        this.contacts = contacts;
        this.clients = clients;
        this.history = history;
        this.today = today;
    }

    void fill(long therapist, long coach) {
        LocalDate day = today.date();
        house.set(new HouseFacts(
                new EmergencyNumbers("112", "555 0142", "555 0163", "555 0170", "555 0199"),
                "Tidemark Room",
                "555 0117",
                LocalTime.of(21, 0),
                LocalTime.of(7, 30)));
        long wren = client(
                "Wren Abara",
                Status.PREGNANT,
                day.plusDays(112),
                171,
                74,
                31,
                Approach.BREATH_LED,
                12,
                5,
                List.of(birth(day.minusDays(900), BirthMode.VAGINAL, 1)),
                "Second baby. Ferry deckhand: carries and ladders.");
        contacts.put(new Contact(wren, "en", Contact.Units.METRIC, "wren@mail.example", false));
        cleared(wren, Scope.EXERCISE, day.minusDays(40), "MIDWIFE", therapist);
        long priyanka = client(
                "Priyanka Sethi",
                Status.POSTNATAL,
                null,
                160,
                63,
                29,
                Approach.QUIET_START,
                10,
                7,
                List.of(birth(day.minusDays(9), BirthMode.VAGINAL, 1)),
                "");
        long solveig = client(
                "Solveig Aune",
                Status.POSTNATAL,
                null,
                168,
                71,
                33,
                Approach.QUIET_START,
                12,
                7,
                List.of(birth(day.minusDays(49), BirthMode.CAESAREAN, 0)),
                "Surgeon's check is booked.");
        cleared(solveig, Scope.GENTLE, day.minusDays(9), "MIDWIFE", therapist);
        long maribel = client(
                "Maribel Quint",
                Status.POSTNATAL,
                null,
                166,
                66,
                30,
                Approach.SLOW_LADDER,
                15,
                5,
                List.of(birth(day.minusDays(70), BirthMode.VAGINAL, 1)),
                "Left side behind.");
        contacts.put(new Contact(maribel, "en", Contact.Units.METRIC, "maribel@mail.example", false));
        cleared(maribel, Scope.EXERCISE, day.minusDays(24), "PHYSICIAN", therapist);
        traces.record(maribel, Script.ONE_SIDED, 6, "F3", "Leg float, left and right", therapist);
        long hana = client(
                "Hana Morioka",
                Status.POSTNATAL,
                null,
                163,
                58,
                35,
                Approach.SLOW_LADDER,
                15,
                4,
                List.of(birth(day.minusDays(152), BirthMode.ASSISTED, 2)),
                "Cello teacher: sits long.");
        cleared(hana, Scope.EXERCISE, day.minusDays(100), "PHYSICIAN", therapist);
        long freya = client(
                "Freya Lindholm",
                Status.POSTNATAL,
                null,
                175,
                69,
                32,
                Approach.GRADED_LOAD,
                50,
                3,
                List.of(birth(day.minusDays(243), BirthMode.VAGINAL, 0)),
                "Wants a full plank.");
        cleared(freya, Scope.FULL, day.minusDays(120), "PHYSICIAN", therapist);
        long adaeze = client(
                "Adaeze Nwosu",
                Status.POSTNATAL,
                null,
                169,
                77,
                27,
                Approach.BREATH_LED,
                12,
                5,
                List.of(birth(day.minusDays(84), BirthMode.VAGINAL, 2)),
                "Holds her breath on every effort.");
        cleared(adaeze, Scope.EXERCISE, day.minusDays(30), "MIDWIFE", therapist);
        traces.record(adaeze, Script.BREATH_HOLDER, 13, "F2", "Leg float, first try", therapist);
        traces.record(adaeze, Script.WELL_TIMED, 4, "F2", "Leg float, breath first", therapist);
        long beatrix = client(
                "Beatrix Moreau",
                Status.POSTNATAL,
                null,
                162,
                64,
                38,
                Approach.GRADED_LOAD,
                20,
                3,
                List.of(birth(day.minusDays(1110), BirthMode.CAESAREAN, 0)),
                "Twins.");
        cleared(beatrix, Scope.FULL, day.minusDays(600), "PHYSICIAN", therapist);
        long noor = client(
                "Noor Haddad",
                Status.ABDOMINAL_SURGERY,
                null,
                158,
                55,
                26,
                Approach.SLOW_LADDER,
                12,
                4,
                List.of(surgery(day.minusDays(112), "open appendix operation")),
                "Never pregnant.");
        cleared(noor, Scope.EXERCISE, day.minusDays(50), "SURGEON", therapist);
        long leilani = client(
                "Leilani Kahale",
                Status.POSTNATAL,
                null,
                165,
                70,
                34,
                Approach.BREATH_LED,
                12,
                5,
                List.of(birth(day.minusDays(98), BirthMode.VAGINAL, 2)),
                "");
        cleared(leilani, Scope.EXERCISE, day.minusDays(50), "MIDWIFE", therapist);
        long zofia = client(
                "Zofia Malin",
                Status.POSTNATAL,
                null,
                170,
                68,
                36,
                Approach.SLOW_LADDER,
                12,
                4,
                List.of(birth(day.minusDays(182), BirthMode.VAGINAL, 1)),
                "");
        cleared(zofia, Scope.EXERCISE, day.minusDays(120), "PHYSICIAN", therapist);
        long catarina = client(
                "Catarina Reis",
                Status.POSTNATAL,
                null,
                164,
                61,
                33,
                Approach.GRADED_LOAD,
                45,
                3,
                List.of(birth(day.minusDays(335), BirthMode.VAGINAL, 1)),
                "Nearly done.");
        contacts.put(new Contact(catarina, "es", Contact.Units.METRIC, "catarina@mail.example", false));
        cleared(catarina, Scope.FULL, day.minusDays(200), "PHYSICIAN", therapist);

        clients.trainBy(
                freya,
                Progress.GrowFirst.RANGE,
                EnumSet.of(DayOfWeek.SUNDAY),
                Goal.FULL_PLANK,
                day.plusDays(70),
                therapist);
        clients.trainBy(
                catarina,
                Progress.GrowFirst.REPS,
                EnumSet.noneOf(DayOfWeek.class),
                Goal.RUNNING_ASSESSMENT,
                day.plusDays(35),
                therapist);
        clients.trainBy(
                wren,
                Progress.GrowFirst.REPS,
                EnumSet.of(DayOfWeek.FRIDAY),
                Goal.CAR_SEAT,
                day.plusDays(140),
                therapist);
        history.write(
                new DemoHistory.People(
                        wren, priyanka, solveig, maribel, hana, freya, adaeze, beatrix, noor, leilani, zofia, catarina),
                therapist,
                coach);
    }

    private long client(
            String name,
            Status status,
            @Nullable LocalDate due,
            double heightCm,
            double massKg,
            int age,
            Approach approach,
            int minutes,
            int days,
            List<EventRow> events,
            String note) {
        String formId =
                UUID.nameUUIDFromBytes(name.getBytes(StandardCharsets.UTF_8)).toString();
        return clients.create(
                new ClientRow(
                        null, formId, name, status, due, heightCm, massKg, age, "RIGHT", approach, minutes, days, "",
                        note),
                new ArrayList<>(events));
    }

    private static EventRow birth(LocalDate day, BirthMode mode, int tear) {
        return new EventRow(0, EventRow.Kind.BIRTH, day, mode, tear, "");
    }

    private static EventRow surgery(LocalDate day, String what) {
        return new EventRow(0, EventRow.Kind.SURGERY, day, null, 0, what);
    }

    private void cleared(long client, Scope scope, LocalDate day, String role, long recordedBy) {
        clients.clear(new ClearanceRow(client, scope, day, null, role, "", "", recordedBy));
    }
}
