package fernstep.app.photo;

import fernstep.app.support.PartOfRecord;
import java.io.IOException;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Her photos, for those who may see them. */
@Component
class PhotosOut implements PartOfRecord {
    private final PhotoMapper mapper;

    PhotosOut(PhotoMapper mapper) {
        this.mapper = mapper;
    }

    @Override
    public void write(long clientId, Asking who, Folder folder) throws IOException {
        if (!mapper.inTeam(clientId, who.staffId())) {
            return;
        }
        for (PhotoRow row : mapper.ofClient(clientId)) {
            Optional<PhotoFile> file = mapper.file(row.id());
            if (file.isPresent()) {
                folder.add("photos/photo-" + row.id() + ".jpg", file.get().jpeg());
            }
        }
    }
}
