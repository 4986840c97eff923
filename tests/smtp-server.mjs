// A mail server for the tests: keeps each message as a line of JSON, refuses whoever is called "nobody". Its argument is the file.
import { appendFileSync } from 'node:fs';
import { SMTPServer } from 'smtp-server';

const file = process.argv[2];
const server = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS'],
    onRcptTo({ address }, session, done) {
        done(address.startsWith('nobody@') ? Object.assign(new Error('No such person here'), { responseCode: 550 }) : null);
    },
    onData(stream, session, done) {
        const parts = [];
        stream.on('data', (part) => parts.push(part));
        stream.on('end', () => {
            const { mailFrom, rcptTo } = session.envelope;
            const data = Buffer.concat(parts).toString('utf8');
            appendFileSync(file, JSON.stringify({ from: mailFrom.address, to: rcptTo.map(({ address }) => address), data }) + '\n');
            done();
        });
    },
});
server.listen(0, '127.0.0.1', () => console.log(server.server.address().port));
