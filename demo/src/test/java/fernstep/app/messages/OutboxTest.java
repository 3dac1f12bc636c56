package fernstep.app.messages;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.ServerSetup;
import com.microsoft.playwright.Page;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.Someone;
import fernstep.app.Visitor;
import fernstep.app.contact.Contact;
import fernstep.app.contact.Contacts;
import fernstep.app.house.EmergencyNumbers;
import fernstep.app.house.House;
import fernstep.app.house.HouseFacts;
import fernstep.core.approach.Approach;
import java.lang.reflect.Proxy;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.parallel.Isolated;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.transaction.support.TransactionTemplate;

/** Mail to clients: once, later, or seen to have failed. The house under test has its stand-in and sends too. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
@Isolated("counts what waits for everyone")
class OutboxTest {
    private final Running app;
    private final Outbox outbox;
    private final OutboxMapper mapper;
    private final Contacts contacts;
    private final House house;
    private final TransactionTemplate transactions;
    private final Clock clock;
    private final JdbcTemplate sql;
    private final String kind = "TEST-" + UUID.randomUUID();
    private GreenMail mailbox;
    private long client;
    private String address;

    OutboxTest(
            Running app,
            Outbox outbox,
            OutboxMapper mapper,
            Contacts contacts,
            House house,
            TransactionTemplate transactions,
            Clock clock,
            JdbcTemplate sql) {
        this.app = app;
        this.outbox = outbox;
        this.mapper = mapper;
        this.contacts = contacts;
        this.house = house;
        this.transactions = transactions;
        this.clock = clock;
        this.sql = sql;
    }

    private HouseFacts before;

    @BeforeEach
    void a_mailbox_and_somebody_who_may_be_written_to() {
        before = house.facts();
        quiet(LocalTime.MIDNIGHT, LocalTime.MIDNIGHT);
        mailbox = new GreenMail(new ServerSetup(0, "127.0.0.1", ServerSetup.PROTOCOL_SMTP));
        mailbox.start();
        client = Someone.plain(app.context(), "Mail Person", Approach.SLOW_LADDER, 14);
        address = "mail" + client + "@mail.example";
        contacts.put(new Contact(client, "en", Contact.Units.METRIC, address, false));
    }

    @AfterEach
    void as_it_was() {
        house.set(before);
        mailbox.stop();
    }

    private void quiet(LocalTime from, LocalTime to) {
        house.set(new HouseFacts(new EmergencyNumbers("112", "", "", "", ""), "Tidemark Room", "555 0117", from, to));
    }

    /** Another instance of the house, at its own mail server. */
    private OutboxSender instance(int port) {
        return instance(port, mapper);
    }

    private OutboxSender instance(int port, OutboxMapper outboxMapper) {
        return new OutboxSender(
                outboxMapper,
                new HouseMailServer("127.0.0.1", port, "", "", false, "house@mail.example"),
                house,
                transactions,
                clock);
    }

    /** Puts one down and tells its number. */
    private long putDown(MessageKind what, Map<String, String> places) {
        assertThat(outbox.put(kind + what, client, what, places)).isTrue();
        return sql.queryForObject("SELECT id FROM outbox WHERE once_key = ?", Long.class, kind + what);
    }

    /** One that is not due for hours, so that the house under test leaves it to us. */
    private long putDownForLater() {
        mapper.insert(
                kind,
                client,
                MessageKind.MISSED,
                address,
                "Subject",
                "Body",
                LocalDateTime.now(clock).plusHours(5));
        return sql.queryForObject("SELECT id FROM outbox WHERE once_key = ?", Long.class, kind);
    }

    private OutboxRow row(long id) {
        return mapper.byId(id).orElseThrow();
    }

    @Test
    void two_instances_looking_at_once_send_each_message_once() throws Exception {
        int messages = 30;
        for (int i = 0; i < messages; i++) {
            outbox.put(kind + i, client, MessageKind.REMINDER, Map.of("day", "today " + i));
            assertThat(outbox.put(kind + i, client, MessageKind.REMINDER, Map.of("day", "today " + i)))
                    .as("put down once only")
                    .isFalse();
        }
        int port = mailbox.getSmtp().getPort();
        CountDownLatch together = new CountDownLatch(1);
        // the house under test may have taken twenty of them and be at it still
        Instant until = Instant.now().plusSeconds(60);
        try (var closing = new Closing(Executors.newFixedThreadPool(3))) {
            List<Future<Object>> all = List.of(instance(port), instance(port), instance(port)).stream()
                    .map(sender -> closing.pool().submit(() -> {
                        together.await();
                        while (waiting() > 0 && Instant.now().isBefore(until)) {
                            sender.send();
                        }
                        return (Object) sender;
                    }))
                    .toList();
            together.countDown();
            for (Future<Object> one : all) {
                one.get();
            }
        }
        // the house under test has a stand-in of its own and may have taken some: each went one way, once
        int elsewhere = (int) app.context().getBean(MailServer.class).received().stream()
                .filter(received -> received.to().equals(address))
                .count();
        assertThat(mailbox.getReceivedMessagesForDomain(address).length + elsewhere)
                .isEqualTo(messages);
        assertThat(sql.queryForObject(
                        "SELECT COUNT(*) FROM outbox WHERE client_id = ? AND state = 'SENT'", Integer.class, client))
                .isEqualTo(messages);
    }

    private int waiting() {
        return sql.queryForObject(
                "SELECT COUNT(*) FROM outbox WHERE client_id = ? AND state IN ('WAITING', 'TAKEN')",
                Integer.class,
                client);
    }

    private record Closing(ExecutorService pool) implements AutoCloseable {
        @Override
        public void close() {
            pool.shutdownNow();
        }
    }

    @Test
    void a_server_that_does_not_answer_is_tried_again_later_and_in_the_end_shown_as_failed(Visitor visitor) {
        int nobody = mailbox.getSmtp().getPort();
        mailbox.stop();
        long id = putDownForLater();
        OutboxSender sender = instance(nobody);
        LocalDateTime wait = null;
        for (int tries = 1; tries <= 8; tries++) {
            sender.send(taken(id));
            OutboxRow now = row(id);
            assertThat(now.tries()).isEqualTo(tries);
            assertThat(now.lastError()).isNotBlank();
            if (tries < 8) {
                assertThat(now.state()).isEqualTo(OutboxRow.State.WAITING);
                assertThat(wait == null || now.notBefore().isAfter(wait)).isTrue();
                wait = now.notBefore();
            }
        }
        assertThat(row(id).state()).isEqualTo(OutboxRow.State.FAILED);
        Page page = visitor.onATablet("imogen");
        visitor.open("/house/messages");
        assertThat(page.locator("[data-message='" + id + "']")).containsText("not sent");
        visitor.checkAccessible();
        page.click("[data-message='" + id + "'] >> text=Do not send");
        page.waitForURL("**/house/messages");
        assertThat(mapper.byId(id)).isEmpty();
    }

    /** As if this instance had taken it when it was due. */
    private OutboxRow taken(long id) {
        sql.update(
                "UPDATE outbox SET state = 'TAKEN', taken_by = 'here', taken_at = NOW(), tries = tries + 1 WHERE id = ?",
                id);
        return row(id);
    }

    @Test
    void whoever_goes_away_in_the_middle_of_sending_leaves_it_in_doubt_and_nobody_sends_it_again_by_itself() {
        long id = putDownForLater();
        taken(id);
        sql.update("UPDATE outbox SET taken_at = NOW() - INTERVAL 1 HOUR WHERE id = ?", id);
        instance(mailbox.getSmtp().getPort()).send();
        assertThat(row(id).state()).isEqualTo(OutboxRow.State.IN_DOUBT);
        assertThat(mailbox.getReceivedMessagesForDomain(address)).isEmpty();
        sql.update("DELETE FROM outbox WHERE id = ?", id);
    }

    @Test
    void what_left_but_could_not_be_written_down_is_not_sent_again_by_the_next_look() {
        long first = putDownForLater();
        OutboxMapper down = (OutboxMapper) Proxy.newProxyInstance(
                OutboxMapper.class.getClassLoader(), new Class<?>[] {OutboxMapper.class}, (proxy, method, given) -> {
                    if (method.getName().equals("sent")) {
                        throw new DataAccessResourceFailureException("the database went away after the mail had left");
                    }
                    if (method.getName().equals("due")) {
                        return row(first).state() == OutboxRow.State.WAITING ? List.of(first) : List.of();
                    }
                    return method.invoke(mapper, given);
                });
        OutboxSender sender = instance(mailbox.getSmtp().getPort(), down);
        sender.send();
        assertThat(mailbox.getReceivedMessagesForDomain(address)).hasSize(1);
        assertThat(row(first).state()).isEqualTo(OutboxRow.State.TAKEN);
        sender.send();
        assertThat(mailbox.getReceivedMessagesForDomain(address)).hasSize(1);
        sql.update("UPDATE outbox SET taken_at = NOW() - INTERVAL 1 HOUR WHERE id = ?", first);
        sender.send();
        assertThat(row(first).state()).isEqualTo(OutboxRow.State.IN_DOUBT);
        assertThat(mailbox.getReceivedMessagesForDomain(address)).hasSize(1);
        sql.update("DELETE FROM outbox WHERE id = ?", first);
    }

    @Test
    void nothing_leaves_in_quiet_hours_nor_to_who_wants_no_mail() {
        LocalTime now = LocalTime.now(clock);
        quiet(now.minusHours(1), now.plusHours(1));
        long id = putDown(MessageKind.REMINDER, Map.of("day", "today"));
        assertThat(row(id).notBefore()).isAfter(LocalDateTime.now(clock).plusMinutes(58));
        instance(mailbox.getSmtp().getPort()).send();
        assertThat(row(id).state()).isEqualTo(OutboxRow.State.WAITING);
        sql.update("DELETE FROM outbox WHERE id = ?", id);
        contacts.mail(client, true);
        assertThat(outbox.put(kind + "off", client, MessageKind.REMINDER, Map.of("day", "today")))
                .isFalse();
    }

    @Test
    void the_way_out_in_a_mail_asks_first_then_ends_them_and_texts_can_be_the_houses_own(Visitor visitor) {
        mapper.putText(new OutboxMapper.Text(MessageKind.MISSED, "es", "Hola [name]", "Desde el [day]."));
        contacts.put(new Contact(client, "es", Contact.Units.METRIC, address, false));
        long id = putDown(MessageKind.MISSED, Map.of("day", "3 mar 2031"));
        OutboxRow row = row(id);
        assertThat(row.subject()).isEqualTo("Hola Mail");
        assertThat(row.body()).startsWith("Desde el 3 mar 2031.").contains("/mail-off/");
        mapper.removeText(MessageKind.MISSED, "es");
        String way = row.body().replaceAll("(?s).*(/mail-off/\\S+).*", "$1");
        Page page = visitor.on(390, 844);
        visitor.open(way);
        assertThat(contacts.of(client).messagesOff()).isFalse();
        assertThat(page.locator("h1")).hasText("Nuestros correos");
        visitor.checkAccessible();
        page.click("text=No más correos");
        assertThat(page.locator("[role=status]")).isVisible();
        assertThat(contacts.of(client).messagesOff()).isTrue();
    }
}
