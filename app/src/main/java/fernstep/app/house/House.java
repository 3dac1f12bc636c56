package fernstep.app.house;

import java.time.LocalTime;
import java.time.format.DateTimeParseException;
import java.util.HashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The house's own facts, as its lead set them. */
@Service
public class House {
    private static final Logger LOG = LoggerFactory.getLogger(House.class);

    private final HouseMapper mapper;

    House(HouseMapper mapper) {
        this.mapper = mapper;
    }

    public HouseFacts facts() {
        Map<String, String> all = new HashMap<>();
        mapper.all().forEach(setting -> all.put(setting.name(), setting.settingValue()));
        HouseFacts first = HouseFacts.AT_FIRST;
        return new HouseFacts(
                new EmergencyNumbers(
                        all.getOrDefault("emergencyNumber", first.emergencyNumber()),
                        all.getOrDefault("maternityNumber", ""),
                        all.getOrDefault("surgicalNumber", ""),
                        all.getOrDefault("outOfHoursNumber", ""),
                        all.getOrDefault("crisisNumber", "")),
                all.getOrDefault("contactName", first.contactName()),
                all.getOrDefault("contactPhone", first.contactPhone()),
                time(all.get("quietFrom"), first.quietFrom()),
                time(all.get("quietTo"), first.quietTo()));
    }

    @Transactional
    public void set(HouseFacts facts) {
        EmergencyNumbers numbers = facts.numbers();
        mapper.put("emergencyNumber", numbers.emergency());
        mapper.put("maternityNumber", numbers.maternity());
        mapper.put("surgicalNumber", numbers.surgical());
        mapper.put("outOfHoursNumber", numbers.outOfHours());
        mapper.put("crisisNumber", numbers.crisis());
        mapper.put("contactName", facts.contactName());
        mapper.put("contactPhone", facts.contactPhone());
        mapper.put("quietFrom", facts.quietFrom().toString());
        mapper.put("quietTo", facts.quietTo().toString());
    }

    private static LocalTime time(@Nullable String stored, LocalTime otherwise) {
        if (stored == null) {
            return otherwise;
        }
        try {
            return LocalTime.parse(stored);
        } catch (DateTimeParseException e) {
            LOG.warn("a quiet hour is stored as {}: taken as {}", stored, otherwise, e);
            return otherwise;
        }
    }
}
