/** A contact that goes over while something is opened or closed slowly. */
export interface ContactEvent {
  part: string;
  contact: string;
}

/** In which order contacts went over, by taps: with a meter on each, or by the ear of two people. */
export interface OrderSeen {
  actuator: string;
  way: 'opening' | 'closing';
  events: ContactEvent[];
}
