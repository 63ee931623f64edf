;;; Prints the batches of the ink room. Some of its calls are wrong.
(defun print-batch (code mass)
  (format t "~8A|~8,2F|~%" code mass)
  (format t "~D of ~D~%" 3)
  #| (format t "~") |#
  (format nil "~Q" #\")
  (format t "~,2F \"~A\"~%" 2.5d0 'ink))
