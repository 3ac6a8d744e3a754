/** Room for the labels at the left of the lanes and of the cover below them, so that their yards stand above each other. */
export const LANE_LABEL_PX = 78
