interface Words {
  subject: string;
  body: string;
}

/** To a guardian: something waits for their yes. */
export const guardianLetter = (clientName: string): Words => ({
  subject: `${clientName} would like to send footage`,
  body: `${clientName} has put footage and a question together for the coach. Nothing goes to the coach before you have looked at it. Sign in to see it and say yes or no.`,
});

/** To the client: the coach needs something first. */
export const needFirstLetter = (coachName: string, need: 'footage' | 'context', words: string): Words => ({
  subject: need === 'footage' ? `${coachName} needs other footage first` : `${coachName} needs to know something first`,
  body: `${words}\n\nUntil you answer, the clock of the promised date stands. Sign in to answer.`,
});

/** To the client and guardian: a file cannot be read. `others`: how many videos of the same request can. */
export const unreadableLetter = (fileName: string, failure: string, others: number): Words => ({
  subject: others > 0 ? 'One of your videos cannot be read' : 'Your video cannot be read',
  body: `${fileName}: ${failure}\n\n${
    others > 0
      ? `The other ${others === 1 ? 'video is' : `${others} videos are`} looked at all the same.`
      : 'Until you have replaced it, the clock of the promised date stands.'
  } Sign in and choose another file in its place.`,
});

/** To everyone of the client: the footage is gone. */
export const consentLetter = (byName: string): Words => ({
  subject: 'Footage was removed',
  body: `${byName} said that the partner no longer agrees to be on film. The footage, its copies and the stills made from it were removed. What was written stays.`,
});
