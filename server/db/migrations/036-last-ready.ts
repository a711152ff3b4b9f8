/** The last reviews that were sent are found from the last one back (`findPastRows`). */
export const statements = ['ALTER TABLE requests ADD KEY requests_last_ready (state, ready_at)'];
