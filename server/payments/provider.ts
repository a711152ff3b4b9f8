/** What somebody is asked to pay. */
export interface PaymentOrder {
  /** Our own name of the payment. */
  paymentId: string;
  /** "45.00": more than nothing. */
  amount: string;
  /** ISO 4217. */
  currency: string;
  /** What it is for, in a line. */
  words: string;
}

/** What a payment service tells of a payment. */
export interface PaymentEvent {
  /** The service's own name of the event: what is told twice counts once. */
  id: string;
  kind: 'paid' | 'failed' | 'on-its-way' | 'charged-back';
  amount: string;
  at: Date;
}

/**
 * A payment service. The stand-in that ships is one; an adapter of a real one fills this same interface. Whoever pays does so on the
 * service's own page: nothing of a card ever comes here. The service is asked what came of a payment, so that it needs no way into the
 * house.
 */
export interface PaymentProvider {
  /** Under which its payments are kept. */
  readonly name: string;
  /** Begins a payment: the service's name of it, and the page on which it is paid (an address, or a path of this house). */
  begin(order: PaymentOrder): Promise<{ reference: string; page: string }>;
  /** All that is known of a payment so far, in any order. */
  news(reference: string): Promise<PaymentEvent[]>;
}
