"""Heavy work is done one after the other; who finds no room to wait is told and not kept."""

import threading
from unittest import TestCase

from studio.keeping.line import MOST_WAITING, InLineError, Line, in_line


class InLine(TestCase):
    def test_it_comes_in_order_and_only_so_many_wait(self):
        line, order, begun = Line(), [], threading.Event()

        def work(number):
            ticket = line.take()
            order.append(number)
            line.leave(ticket)

        first = line.take()
        waiting = []
        for number in range(MOST_WAITING):
            waiting.append(threading.Thread(target=work, args=(number,)))
            waiting[-1].start()
            while line.length < number + 2:
                begun.wait(0.01)
        with self.assertRaises(InLineError) as caught:
            line.take()
        self.assertEqual(caught.exception.before, MOST_WAITING + 1)
        line.leave(first)
        for thread in waiting:
            thread.join(10)
        self.assertEqual(order, list(range(MOST_WAITING)))
        line.leave(line.take())

    def test_what_fails_leaves_the_line_and_what_it_calls_is_in_line_with_it(self):
        inner = in_line(lambda: 3)

        @in_line
        def fails():
            self.assertEqual(inner(), 3)
            raise ValueError

        for _ in range(MOST_WAITING + 2):
            self.assertRaises(ValueError, fails)
        self.assertEqual(inner(), 3)
