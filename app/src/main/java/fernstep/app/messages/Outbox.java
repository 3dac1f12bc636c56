package fernstep.app.messages;

import fernstep.app.client.Clients;
import fernstep.app.contact.Contact;
import fernstep.app.contact.Contacts;
import fernstep.app.house.House;
import fernstep.app.house.HouseFacts;
import fernstep.app.support.Languages;
import fernstep.exchange.wording.Wording;
import java.time.Clock;
import java.time.LocalDateTime;
import java.util.Locale;
import java.util.Map;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Puts messages down to be sent: at once on paper, in the house's own words, outside its quiet hours. */
@Service
public class Outbox {
    private final OutboxMapper mapper;
    private final Clients clients;
    private final Contacts contacts;
    private final House house;
    private final Languages languages;
    private final Clock clock;
    private final String publicUrl;

    Outbox(
            OutboxMapper mapper,
            Clients clients,
            Contacts contacts,
            House house,
            Languages languages,
            Clock clock,
            @Value("${fern.public-url}") String publicUrl) {
        this.mapper = mapper;
        this.clients = clients;
        this.contacts = contacts;
        this.house = house;
        this.languages = languages;
        this.clock = clock;
        this.publicUrl = publicUrl;
    }

    /**
     * A text with its places still open: [name], [link], [day], [contact].
     *
     * @param own whether the house wrote it
     */
    public record Text(String subject, String body, boolean own) {}

    /**
     * Puts one down.
     *
     * @param onceKey what makes it this message and no other: a second one of the same key is not put down
     * @param places what stands in the places of the text, without their brackets
     * @return false where she cannot or does not want to be written to, or it is there already
     */
    @Transactional
    public boolean put(String onceKey, long clientId, MessageKind kind, Map<String, String> places) {
        Contact contact = contacts.of(clientId);
        if (!contact.mayBeWritten()) {
            return false;
        }
        Text text = text(kind, contact.language());
        HouseFacts facts = house.facts();
        String name = clients.file(clientId).name().split(" ", 2)[0];
        String subject = filled(text.subject(), name, facts, places);
        Wording words = languages.in(Locale.forLanguageTag(contact.language()));
        String body = filled(text.body(), name, facts, places) + "\n\n"
                + words.text("mail.off", publicUrl + "/mail-off/" + contacts.offToken(clientId));
        return mapper.insert(onceKey, clientId, kind, contact.email(), subject, body, afterQuiet(facts)) > 0;
    }

    /** The house's own, or the one that ships. */
    public Text text(MessageKind kind, String language) {
        return mapper.text(kind, language)
                .map(text -> new Text(text.subject(), text.body(), true))
                .orElseGet(() -> {
                    Wording words = languages.in(Locale.forLanguageTag(language));
                    return new Text(
                            words.text("mail." + kind + ".subject"), words.text("mail." + kind + ".body"), false);
                });
    }

    private static String filled(String text, String name, HouseFacts facts, Map<String, String> places) {
        String filled = text.replace("[name]", name)
                .replace("[contact]", (facts.contactName() + " " + facts.contactPhone()).strip());
        for (Map.Entry<String, String> place : places.entrySet()) {
            filled = filled.replace("[" + place.getKey() + "]", place.getValue());
        }
        return filled;
    }

    /** Now, or when the quiet hours end. */
    LocalDateTime afterQuiet(HouseFacts facts) {
        LocalDateTime now = LocalDateTime.now(clock);
        if (!facts.quietAt(now.toLocalTime())) {
            return now.withNano(0);
        }
        LocalDateTime end = now.toLocalDate().atTime(facts.quietTo());
        return end.isAfter(now) ? end : end.plusDays(1);
    }
}
