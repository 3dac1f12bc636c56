-- More rights for somebody are asked for by one administrator and given by another, or by time where there is none.
CREATE TABLE rights_asked (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  staff_id BIGINT NOT NULL,
  licence VARCHAR(20) NOT NULL,
  house_lead BOOLEAN NOT NULL,
  asked_by BIGINT NOT NULL,
  asked_at DATETIME NOT NULL DEFAULT CURRENT_TIMESTAMP,
  ended_at DATETIME NULL,
  INDEX (staff_id, ended_at),
  FOREIGN KEY (staff_id) REFERENCES staff (id),
  FOREIGN KEY (asked_by) REFERENCES staff (id)
);
