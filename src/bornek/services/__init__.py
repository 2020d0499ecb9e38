"""One file per thing a person does. Actor, time and session are passed in."""
