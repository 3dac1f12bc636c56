package fernstep.core.client;

import java.time.LocalDate;

/** One abdominal operation: date and what was done, in the practitioner's words. */
public record Surgery(LocalDate date, String what) {}
