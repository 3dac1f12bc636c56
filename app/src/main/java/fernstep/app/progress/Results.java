package fernstep.app.progress;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.springframework.stereotype.Service;

/** How sessions went, rung by rung: what other features write and read of it. */
@Service
public class Results {
    private final LadderMapper mapper;

    Results(LadderMapper mapper) {
        this.mapper = mapper;
    }

    public List<ResultRow> since(long clientId, LocalDate since) {
        return mapper.resultsSince(clientId, since);
    }

    /** Where she stands on every strand she trains. */
    public List<LadderRow> steps(long clientId) {
        return mapper.current(clientId);
    }

    /** The same of many clients. */
    public List<LadderRow> stepsOf(Collection<Long> clients) {
        return clients.isEmpty() ? List.of() : mapper.currentOf(clients);
    }

    /** What was made easier in any session of theirs. */
    public List<CleanSettingRow> cleanSettingsOf(Collection<Long> clients) {
        return clients.isEmpty() ? List.of() : mapper.cleanSettingsOf(clients);
    }

    /** A session that goes on has no results yet. */
    public void remove(String sessionId) {
        mapper.removeResults(sessionId);
        mapper.removeCleanSettings(sessionId);
    }

    /** What was made easier in a session, all of it; writing it again writes the same. */
    public void putEased(String sessionId, List<CleanSettingRow> eased) {
        mapper.removeCleanSettings(sessionId);
        for (CleanSettingRow row : eased) {
            mapper.putCleanSetting(row);
            row.partList().forEach(part -> mapper.putCleanPart(row, part));
        }
    }

    /** Writing the same again writes the same. */
    public void put(ResultRow result) {
        mapper.putResult(result);
    }

    /** Many at once; a result that is there stays. */
    public void putAll(List<ResultRow> results) {
        mapper.putResults(results);
    }

    public List<ResultRow> ofSession(String sessionId) {
        return mapper.resultsOf(sessionId);
    }

    /** Of many clients. */
    public List<ResultRow> ofClients(Collection<Long> clients) {
        return clients.isEmpty() ? List.of() : mapper.resultsOfClients(clients);
    }

    /** A first step, as another house had it: where she stands on one strand and side. */
    public void stand(LadderRow step) {
        mapper.insert(step);
    }
}
